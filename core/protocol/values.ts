import * as v from 'valibot'

export const uuidSchema = v.pipe(v.string('must be a UUID'), v.uuid('must be a UUID'))

/** The number of a state of a site. */
export const revisionSchema = v.pipe(
  v.number('must be a number'),
  v.integer(),
  v.minValue(0),
  v.maxValue(2_147_483_647),
)

/**
 * A whole site or change in an answer: an object, of which nothing more is checked. The server reads what it stores by the
 * schemas of core; checking each of thousands of entries once more would take longer than showing them.
 */
export const checkedElsewhere = <Value extends object>() =>
  v.custom<Value>((value) => typeof value === 'object' && value !== null, 'must be an object')

/** Something was made, and this is its id. */
export const createdAnswer = v.object({ id: v.string() })

/** An answer without content. */
export const noAnswer = v.undefined()
