import fc from 'fast-check'
import type { Bits } from '../plan/surround/templates.ts'
import { bitsOfSource, canBeEdited, sourceOfBits } from './partSource.ts'

const address = fc.record({
  to: fc.constantFrom('entry' as const, 'site-file' as const),
  id: fc.constantFrom('a', 'ab', 'a1', 'b'),
  tail: fc.constantFrom('', '#x', '?q=1&amp;r'),
  start: fc.constantFrom('relative' as const, 'root' as const),
  index: fc.constantFrom('named' as const, 'folder' as const),
  isPlain: fc.boolean(),
})
const text = fc.oneof(
  fc.string({ maxLength: 12 }),
  fc.constantFrom('<a href="', '">', 'entry:', 'entry:a', 'site-file:ab#x', '\r\n', '\u{1F33C}'),
)
/** One target may be written in several ways: in a link, in a style, with its index file and without. */
const arbitraryBits: fc.Arbitrary<Bits> = fc.array(fc.oneof(text, address), { maxLength: 8 })
const flat = (bits: Bits) => bits.map((bit) => (typeof bit === 'string' ? bit : JSON.stringify(bit))).join('')

test('a text that is edited and left as it was is the same, or is not offered to be edited', () => {
  fc.assert(
    fc.property(arbitraryBits, (bits) => {
      const again = bitsOfSource(sourceOfBits(bits), bits)
      expect(sourceOfBits(again)).toBe(sourceOfBits(bits))
      if (canBeEdited(bits)) expect(flat(again)).toBe(flat(bits))
    }),
    { numRuns: 1000 },
  )
})

test('what is typed between pointers leaves all of them as they are written', () => {
  const letters = fc.stringMatching(/^[ ,.;A-Z]{1,5}$/)
  fc.assert(
    fc.property(arbitraryBits, fc.nat(), letters, (bits, pick, typed) => {
      const at = pick % (bits.length + 1)
      const [before, after] = [bits.slice(0, at), bits.slice(at)]
      const source = sourceOfBits(before) + typed + sourceOfBits(after)
      fc.pre(canBeEdited(bits))
      expect(flat(bitsOfSource(source, bits))).toBe(flat([...before, typed, ...after]))
    }),
    { numRuns: 1000 },
  )
})

test('addresses keep their way of writing wherever they are moved to', () => {
  const home = { to: 'entry', id: 'home', tail: '', start: 'root', index: 'folder', isPlain: false } as const
  const before: Bits = ['<a href="', home, '">Home</a>']
  expect(bitsOfSource('<p><a class=x href="entry:home">Start</a> <a href="entry:else">', before)).toEqual([
    '<p><a class=x href="',
    home,
    '">Start</a> <a href="',
    { ...home, id: 'else' },
    '">',
  ])
  // Words are no reference.
  expect(bitsOfSource('<p>See entry:else, or (<b>entry:else</b>)', before)).toEqual([
    '<p>See entry:else, or (<b>entry:else</b>)',
  ])
})
