import fc from 'fast-check'
import { Secrets } from './secrets.ts'

test('a secret comes back under its key and in its place, and nowhere else; nothing of it can be read', () => {
  const secrets = new Secrets('a key of the test')
  fc.assert(
    fc.property(fc.string({ unit: 'binary', minLength: 4, maxLength: 400 }), fc.string(), (text, place) => {
      const sealed = secrets.seal(text, place)
      const plain = Buffer.from(text, 'utf8')
      expect(secrets.open(sealed, place)).toBe(plain.toString('utf8'))
      expect(secrets.open(sealed, `${place}x`)).toBeUndefined()
      expect(new Secrets('another').open(sealed, place)).toBeUndefined()
      expect(sealed.includes(plain)).toBe(false)
      expect(secrets.seal(text, place).equals(sealed)).toBe(false)
      for (const at of [0, 13, sealed.length - 1]) {
        const spoilt = Buffer.from(sealed)
        spoilt[at]! ^= 1
        expect(secrets.open(spoilt, place)).toBeUndefined()
      }
    }),
  )
})

test('without a key nothing is kept', () => {
  const none = new Secrets(undefined)
  expect(none.canKeep).toBe(false)
  expect(() => none.seal('x', 'y')).toThrow(/no key/)
})
