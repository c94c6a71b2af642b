import fc from 'fast-check'
import { itemAt, lastOf, valueFor } from './present.ts'

const anything = fc.oneof(fc.constant(0), fc.constant(''), fc.constant(false), fc.object(), fc.string())
const none = fc.constantFrom(undefined, null)

test('what is there comes as the list or map has it, also when it is empty or false', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.string(), anything), { minLength: 1 }), fc.nat(), (entries, n) => {
      const map = new Map<string, unknown>(entries)
      for (const [key] of entries) expect(valueFor(map, key)).toBe(map.get(key))
      const at = n % entries.length
      expect(itemAt(entries, at)).toBe(entries[at])
      expect(lastOf(entries)).toBe(entries[entries.length - 1])
    }),
  )
})

test('what is missing is an error that names it', () => {
  fc.assert(
    fc.property(fc.string(), none, fc.integer({ min: -9, max: 9 }), (key, value, place) => {
      expect(() => valueFor(new Map<string, unknown>(), key)).toThrow(`There is no value for ${key}.`)
      expect(() => valueFor(new Map<string, unknown>([[key, value]]), key)).toThrow(key)
      expect(() => itemAt([value], place)).toThrow(`There is no item ${place} of 1.`)
    }),
  )
  expect(() => lastOf([])).toThrow('There is no item -1 of 0.')
  expect(() => valueFor(new Map<symbol, number>(), Symbol('lock'))).toThrow('Symbol(lock)')
})
