import * as v from 'valibot'
import type { Change } from '../plan/change/change.ts'
import { checkedElsewhere } from './values.ts'

/** A whole number in an address. */
export const wholeNumber = v.pipe(
  v.string(),
  v.regex(/^\d{1,9}$/, 'must be a whole number'),
  v.transform(Number),
)

/** Which part of the history to tell, the newest first. */
export const historyQuery = v.object({
  before: v.optional(wholeNumber, '999999999'),
  most: v.optional(v.pipe(wholeNumber, v.minValue(1), v.maxValue(500, 'must be at most 500')), '100'),
})

const pastChange = v.object({ revision: v.number(), words: v.string(), madeAt: v.string() })
/** A change as the history tells it. */
export type PastChange = Readonly<v.InferOutput<typeof pastChange>>
export const historyAnswer = v.object({ changes: v.array(pastChange) })

/** The revision after which changes are to be told. */
export const changesQuery = v.object({ after: wholeNumber })

/** The change that makes the newest revision what it was at an earlier one; without it where nothing is different. */
export const wayBackAnswer = v.object({
  revision: v.number(),
  change: v.optional(checkedElsewhere<Change>()),
})
