import fc from 'fast-check'
import { shortened } from './text.ts'

test('a text that is cut never ends in half a character', () => {
  fc.assert(
    fc.property(
      fc.string({ unit: 'grapheme', maxLength: 40 }),
      fc.integer({ min: 1, max: 30 }),
      (text, most) => {
        const short = shortened(text, most)
        expect(short.length).toBeLessThanOrEqual(most)
        expect(short.isWellFormed()).toBe(true)
        if (text.length <= most) expect(short).toBe(text)
        else expect(text.startsWith(short.slice(0, -1))).toBe(true)
      },
    ),
  )
  expect(shortened('walk 👣👣', 8)).toBe('walk 👣…')
  expect(shortened('walk 👣👣', 7)).toBe('walk …')
})
