import fc from 'fast-check'
import { decodePage, encodeText } from './encoding.ts'

const page = (encoding: string, ...bytes: readonly number[]) =>
  Uint8Array.from([...Buffer.from(`<meta charset="${encoding}">`, 'latin1'), ...bytes])
const textOf = (encoding: string, ...bytes: readonly number[]) =>
  decodePage(page(encoding, ...bytes))?.text.slice(`<meta charset="${encoding}">`.length)

/** https://encoding.spec.whatwg.org/index-windows-1252.txt, from 80 on; from memory. */
const WINDOWS_1252 = '€\x81‚ƒ„…†‡ˆ‰Š‹Œ\x8dŽ\x8f\x90‘’“”•–—˜™š›œ\x9džŸ'

test('windows-1252 and its other names are read as the Encoding Standard has them', () => {
  const bytes = Array.from({ length: 32 }, (_, at) => 0x80 + at)
  // https://encoding.spec.whatwg.org/#names-and-labels
  for (const label of ['windows-1252', 'iso-8859-1', 'latin1', 'us-ascii'])
    expect(textOf(label, ...bytes)).toBe(WINDOWS_1252)
})

// Each stands in the index of its encoding at https://encoding.spec.whatwg.org/#indexes; from memory.
test.each([
  ['koi8-u', [0xae, 0xbe], 'ўЎ'],
  ['ibm866', [0x1a, 0x1c, 0x7f], '\x1a\x1c\x7f'],
  ['windows-1250', [0xb9, 0xbe], 'ąľ'],
  ['iso-8859-16', [0xa4], '€'],
  ['shift_jis', [0x82, 0xa0], 'あ'],
  ['euc-kr', [0xb0, 0xa1], '가'],
  ['big5', [0xa4, 0xa4], '中'],
])('%s is read as browsers do', (encoding, bytes, text) => {
  expect(textOf(encoding, ...bytes)).toBe(text)
})

const ENCODINGS = [
  ...['utf-8', 'ibm866', 'iso-8859-2', 'iso-8859-5', 'iso-8859-7', 'iso-8859-15', 'koi8-r', 'koi8-u'],
  ...['macintosh', 'windows-874', 'windows-1250', 'windows-1251', 'windows-1252', 'windows-1254'],
  ...['gbk', 'gb18030', 'big5', 'euc-jp', 'shift_jis', 'euc-kr'],
]

test('whatever bytes are read as a text come back to the byte', () => {
  fc.assert(
    fc.property(fc.constantFrom(...ENCODINGS), fc.uint8Array({ maxLength: 12 }), (encoding, raw) => {
      const bytes = page(encoding, ...raw)
      const decoded = decodePage(bytes)
      if (decoded) expect(encodeText(decoded.text, decoded.encoding)).toEqual(bytes)
      else expect(raw.includes(0) || encoding !== 'utf-8').toBe(true)
    }),
    { numRuns: 600 },
  )
})

test('a character that an encoding does not have comes out as a reference', () => {
  expect(Buffer.from(encodeText('a→é', { name: 'windows-1252', hasMark: false })).toString('latin1')).toBe(
    'a&#8594;é',
  )
})
