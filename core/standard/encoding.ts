// What comes with Node reads many of the older encodings otherwise than browsers do.
import { TextDecoder } from '@exodus/bytes/encoding.js'

/**
 * The text of a page and back, to the byte: which encoding it has, and how it is written in it.
 * https://encoding.spec.whatwg.org/
 */

/** How the bytes of a page stand for its text. */
export interface Encoding {
  /** A name of the Encoding Standard, in lower case. */
  readonly name: string
  /** Whether the bytes begin with a byte order mark, which is no part of the text. */
  readonly hasMark: boolean
}

export const UTF_8: Encoding = { name: 'utf-8', hasMark: false }

/** Byte order marks. https://encoding.spec.whatwg.org/#bom-sniff */
const MARKS: readonly (readonly [string, readonly number[]])[] = [
  ['utf-8', [0xef, 0xbb, 0xbf]],
  ['utf-16be', [0xfe, 0xff]],
  ['utf-16le', [0xff, 0xfe]],
]

/** How far browsers look for what a page says of its encoding. https://html.spec.whatwg.org/multipage/parsing.html#prescan-a-byte-stream-to-determine-its-encoding */
const PRESCAN_BYTES = 1024

/** What a page says of its encoding: XML declaration, `meta charset`, or `meta http-equiv`; undefined where nothing. */
function saidEncoding(bytes: Uint8Array): string | undefined {
  const head = new TextDecoder('windows-1252').decode(bytes.subarray(0, PRESCAN_BYTES))
  return (
    /<meta\s[^>]*?charset\s{0,9}=["'\s]{0,9}([\w:.-]+)/i.exec(head)?.[1] ??
    /^\s*<\?xml\s[^>]*?encoding\s*=\s*["']([\w:.-]+)["']/i.exec(head)?.[1]
  )
}

/** The encoding that a label names; undefined for one that nobody knows. https://encoding.spec.whatwg.org/#concept-encoding-get */
function encodingOf(label: string): string | undefined {
  try {
    const { encoding } = new TextDecoder(label)
    // A page whose declaration could be read one byte a character is not in UTF-16. https://html.spec.whatwg.org/multipage/parsing.html#prescan-a-byte-stream-to-determine-its-encoding
    return encoding.startsWith('utf-16') ? 'utf-8' : encoding
  } catch {
    return undefined
  }
}

/** Whether bytes are the same. */
function isSameBytes(a: Uint8Array, b: Uint8Array): boolean {
  return a.length === b.length && a.every((byte, at) => byte === b[at])
}

/** A page as text, with what makes the same bytes of it again. */
export interface DecodedPage {
  readonly text: string
  readonly encoding: Encoding
  /** Whether nothing tells the encoding: any that has ASCII would do. */
  readonly isOpen: boolean
}

function decodedAs(bytes: Uint8Array, encoding: Encoding): DecodedPage | undefined {
  const mark = encoding.hasMark ? (MARKS.find(([name]) => name === encoding.name)?.[1].length ?? 0) : 0
  try {
    const decoder = new TextDecoder(encoding.name, { fatal: true, ignoreBOM: true })
    const text = decoder.decode(bytes.subarray(mark))
    const written = encodeText(text, encoding)
    return isSameBytes(written, bytes) ? { text, encoding, isOpen: false } : undefined
  } catch {
    return undefined
  }
}

/**
 * The text of a page: by its byte order mark, by what it says, else as UTF-8 where it is that, else as windows-1252.
 * @returns undefined for bytes that are no text, or would not come back to the byte
 */
export function decodePage(bytes: Uint8Array): DecodedPage | undefined {
  for (const [name, mark] of MARKS)
    if (mark.every((byte, at) => bytes[at] === byte)) return decodedAs(bytes, { name, hasMark: true })
  if (bytes.includes(0)) return undefined
  const said = saidEncoding(bytes)
  const name = said === undefined ? undefined : encodingOf(said)
  const tried = [...new Set([name ?? 'utf-8', 'utf-8', 'windows-1252'])]
  for (const one of tried) {
    const decoded = decodedAs(bytes, { name: one, hasMark: false })
    if (!decoded) continue
    // In UTF-8, only ASCII has as many bytes as characters.
    return {
      ...decoded,
      isOpen: name === undefined && one === 'utf-8' && decoded.text.length === bytes.length,
    }
  }
  return undefined
}

/** The same page in an encoding that something else tells; as it is where it would not come back to the byte in it. */
export const decodedIn = (page: DecodedPage, bytes: Uint8Array, encoding: Encoding): DecodedPage =>
  decodedAs(bytes, { ...encoding, hasMark: false }) ?? page

/** What each character of an encoding is written as. Worked out once for each encoding, from what it reads. */
const tables = new Map<string, ReadonlyMap<string, readonly number[]>>()

/** Every byte, and every pair of bytes where a first one is not enough: all that the legacy encodings have. */
function tableOf(name: string): ReadonlyMap<string, readonly number[]> {
  const known = tables.get(name)
  if (known) return known
  const table = new Map<string, readonly number[]>()
  const read = (...bytes: number[]): string | undefined => {
    try {
      return new TextDecoder(name, { fatal: true }).decode(new Uint8Array(bytes))
    } catch {
      return undefined
    }
  }
  for (let first = 0; first < 256; first++) {
    const one = read(first)
    if (one !== undefined && one !== '') {
      if (!table.has(one)) table.set(one, [first])
      continue
    }
    for (let second = 0x30; second < 256; second++) {
      const pair = read(first, second)
      if (pair !== undefined && [...pair].length === 1 && !table.has(pair)) table.set(pair, [first, second])
    }
  }
  tables.set(name, table)
  return table
}

function encodeUtf16(text: string, isLittle: boolean): Uint8Array {
  const bytes = new Uint8Array(text.length * 2)
  const view = new DataView(bytes.buffer)
  for (let at = 0; at < text.length; at++) view.setUint16(at * 2, text.charCodeAt(at), isLittle)
  return bytes
}

function encodeByTable(text: string, name: string): Uint8Array {
  const table = tableOf(name)
  const bytes: number[] = []
  for (const sign of text) {
    const written = table.get(sign)
    if (written) for (const byte of written) bytes.push(byte)
    // https://html.spec.whatwg.org/multipage/syntax.html#character-references
    else for (const digit of `&#${sign.codePointAt(0)};`) bytes.push(digit.charCodeAt(0))
  }
  return Uint8Array.from(bytes)
}

/** A text as bytes. A character that the encoding does not have comes out as a character reference. */
export function encodeText(text: string, { name, hasMark }: Encoding): Uint8Array {
  const mark = hasMark ? (MARKS.find(([one]) => one === name)?.[1] ?? []) : []
  const body = name.startsWith('utf-16')
    ? encodeUtf16(text, name === 'utf-16le')
    : name === 'utf-8'
      ? new TextEncoder().encode(text)
      : encodeByTable(text, name)
  if (mark.length === 0) return body
  const bytes = new Uint8Array(mark.length + body.length)
  bytes.set(mark)
  bytes.set(body, mark.length)
  return bytes
}
