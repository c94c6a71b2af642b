import fc from 'fast-check'
import { withLineEndsOf, withPlainLineEnds } from './lineEnds.ts'

const text = fc
  .array(fc.constantFrom('\r\n', '\n', '\r', 'a', 'b', '<', ' '), { maxLength: 16 })
  .map((all) => all.join(''))

test('what is edited says what was typed, and what was not touched keeps its line ends', () => {
  fc.assert(
    fc.property(text, fc.nat(), fc.nat(), text, (before, a, b, typed) => {
      const plain = withPlainLineEnds(before)
      expect(withLineEndsOf(before, plain)).toBe(before)
      const [from, to] = [a % (plain.length + 1), b % (plain.length + 1)].sort((x, y) => x - y) as [
        number,
        number,
      ]
      const edited = plain.slice(0, from) + withPlainLineEnds(typed) + plain.slice(to)
      const after = withLineEndsOf(before, edited)
      expect(withPlainLineEnds(after)).toBe(edited)
    }),
    { numRuns: 2000 },
  )
})

test('a new line ends as most lines do', () => {
  expect(withLineEndsOf('a\r\nb\r\nc\n', 'a\nx\ny\nb\nc\n')).toBe('a\r\nx\r\ny\r\nb\r\nc\n')
})
