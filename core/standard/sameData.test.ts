import { isDeepStrictEqual } from 'node:util'
import fc from 'fast-check'
import { isSameData } from './sameData.ts'

/** Data under names that every object has of itself, too. */
const data = fc.letrec<{ value: unknown }>((tie) => ({
  value: fc.oneof(
    { maxDepth: 3 },
    fc.constantFrom(null, true, false, '', 'a', '1', 0, 1, -1.5),
    fc.array(tie('value'), { maxLength: 3 }),
    fc.dictionary(
      fc.constantFrom('a', 'b', 'constructor', 'valueOf', 'toString', '__proto__'),
      tie('value'),
      {
        maxKeys: 3,
        noNullPrototype: true,
      },
    ),
  ),
})).value

const backwards = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map(backwards)
    : value !== null && typeof value === 'object'
      ? Object.fromEntries(
          Object.entries(value)
            .reverse()
            .map(([name, one]) => [name, backwards(one)]),
        )
      : value

test('data is the same where Node finds it deeply and strictly equal', () => {
  fc.assert(
    fc.property(data, data, (one, other) => {
      expect(isSameData(one, other)).toBe(isDeepStrictEqual(one, other))
    }),
    { numRuns: 2000 },
  )
})

test('it is the same again when it was copied, and when its fields stand the other way round', () => {
  fc.assert(
    fc.property(data, (one) => {
      expect(isSameData(one, structuredClone(one))).toBe(true)
      expect(isSameData(backwards(one), one)).toBe(true)
    }),
  )
})

test('a field without a value is none, as in JSON', () => {
  expect(isSameData({ a: 1, b: undefined }, { a: 1 })).toBe(true)
  expect(isSameData({ a: 1 }, { a: 1, b: undefined })).toBe(true)
  expect(isSameData({ a: undefined, b: 1 }, { a: 1, b: undefined })).toBe(false)
})

test('what is not there is nothing that is there', () => {
  for (const value of [null, '', 0, false, [], {}]) expect(isSameData(undefined, value)).toBe(false)
  expect(isSameData(undefined, undefined)).toBe(true)
})
