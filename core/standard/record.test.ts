import fc from 'fast-check'
import * as v from 'valibot'
import { recordOf, valueAt } from './record.ts'
import { tableOf } from './table.ts'

/** What every object has of itself (ECMA-262, Properties of the Object Prototype Object), and what Valibot leaves out. */
const INHERITED = [...Object.getOwnPropertyNames(Object.prototype), 'prototype']

const names = fc.oneof(fc.constantFrom(...INHERITED), fc.string())
const schema = recordOf(v.pipe(v.number(), v.minValue(0, 'must not be negative')))

const isSame = (a: unknown, b: unknown) => expect(JSON.stringify(a)).toBe(JSON.stringify(b))

describe('a record under names from outside', () => {
  test('keeps every name that it is given, and has no other', () => {
    fc.assert(
      fc.property(fc.dictionary(names, fc.nat()), names, (given, asked) => {
        const read = v.parse(schema, JSON.parse(JSON.stringify(given)))
        isSame(Object.entries(read), Object.entries(given))
        const there = Object.entries(given).find(([name]) => name === asked)
        expect(valueAt(read, asked)).toBe(there?.[1])
        expect(tableOf(read).get(asked)).toBe(there?.[1])
      }),
    )
  })

  test.each(INHERITED)('can hold %s', (name) => {
    expect(valueAt({}, name)).toBeUndefined()
    expect(tableOf({}).has(name)).toBe(false)
    const read = v.parse(schema, JSON.parse(`{"${name}": 3}`))
    expect(Object.keys(read)).toEqual([name])
    expect(valueAt(read, name)).toBe(3)
  })

  test('says under which name something is wrong', () => {
    const { issues } = v.safeParse(v.strictObject({ marks: schema }), { marks: { fine: 1, constructor: -1 } })
    expect(issues!.map(({ message, path }) => [message, path!.map(({ key }) => key)])).toEqual([
      ['must not be negative', ['marks', 'constructor']],
    ])
  })

  test.each([null, undefined, [], [1], 'x', 3, true])('is not %j', (value) => {
    expect(v.is(schema, value)).toBe(false)
  })
})
