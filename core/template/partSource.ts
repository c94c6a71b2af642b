import type { Address, Bits, PatternHole, Spelling } from '../plan/surround/templates.ts'
import { valueFor } from '../standard/present.ts'
import { isSameData } from '../standard/sameData.ts'

const pointerOf = ({ to, id, tail }: Address): string => `${to}:${id}${tail}`

/** A hole of a pattern as it stands in a source: `{label}`, or `{next.label}` where it is that of a neighbour. */
const holeOf = ({ hole, of }: PatternHole): string => (of === 'item' ? `{${hole}}` : `{${of}.${hole}}`)

/** All holes that a pattern may have, by how they stand in a source. */
const HOLES = new Map(
  (['item', 'previous', 'next', 'up'] as const).flatMap((of) =>
    (['label', 'title', 'href'] as const).map((hole) => [holeOf({ hole, of }), { hole, of }] as const),
  ),
)

/** A text of a template as its author edits it: addresses stand as pointers, as they do in main content. */
export const sourceOfBits = (bits: Bits): string =>
  bits.map((bit) => (typeof bit === 'string' ? bit : 'hole' in bit ? holeOf(bit) : pointerOf(bit))).join('')

/** A pointer where a reference may begin: after a quote, a bracket, or the sign of an attribute. */
const NEW_POINTER = /(?<=["'=(])(entry|site-file):([a-z0-9-]+)((?:[?#][^"'\s<>)]{0,2000})?)/y

/** A pointer that was typed into a text of a template, written as most there are. */
function typedPointer(source: string, at: number, { start, index, isPlain }: Spelling): Address | undefined {
  NEW_POINTER.lastIndex = at
  const [, scheme, id, tail] = NEW_POINTER.exec(source) ?? []
  if (scheme === undefined || id === undefined || tail === undefined) return undefined
  return { to: scheme === 'entry' ? 'entry' : 'site-file', id, tail, start, index, isPlain }
}

const RELATIVE: Spelling = { start: 'relative', index: 'named', isPlain: false }

/**
 * An edited text of a template. A pointer that stood there before is written as it was, and one that was typed as the others
 * are; all else is text.
 * @param before what was edited
 * @param isPattern whether it is a text of a pattern, in which holes may stand
 */
export function bitsOfSource(source: string, before: Bits, isPattern = false): Bits {
  const { head, tail, middle } = unchanged(source, before)
  return [...head, ...bitsOfMiddle(middle, before, isPattern), ...tail]
}

/** How many characters two texts begin with alike. */
function sharedStart(a: string, b: string): number {
  const most = Math.min(a.length, b.length)
  let at = 0
  while (at < most && a[at] === b[at]) at++
  return at
}

/** How many characters two texts end with alike, of so many at most. */
function sharedEnd(a: string, b: string, most: number): number {
  let count = 0
  while (count < most && a[a.length - count - 1] === b[b.length - count - 1]) count++
  return count
}

/**
 * What an edit left as it was, up to the last pointer before it and from the first behind it: one pointer may be written in
 * two ways, and keeps both.
 * @returns the bits before and after, and the source between them
 */
function unchanged(source: string, before: Bits): { head: Bits; tail: Bits; middle: string } {
  const was = sourceOfBits(before)
  const start = sharedStart(source, was)
  const end = sharedEnd(source, was, Math.min(source.length, was.length) - start)
  let [headBits, headEnd, tailBits, tailStart] = [0, 0, before.length, was.length]
  let at = 0
  for (const [n, bit] of before.entries()) {
    const from = at
    at += sourceOfBits([bit]).length
    if (typeof bit === 'string') continue
    if (at <= start) [headBits, headEnd] = [n + 1, at]
    else if (from >= was.length - end && tailBits === before.length) [tailBits, tailStart] = [n, from]
  }
  return {
    head: before.slice(0, headBits),
    tail: before.slice(tailBits),
    middle: source.slice(headEnd, source.length - (was.length - tailStart)),
  }
}

/** A part of an edited text, read anew. */
function bitsOfMiddle(source: string, before: Bits, isPattern: boolean): Bits {
  const known = new Map<string, Address | PatternHole>(isPattern ? HOLES : [])
  for (const bit of before)
    if (typeof bit !== 'string' && 'to' in bit && !known.has(pointerOf(bit))) known.set(pointerOf(bit), bit)
  // The longer first: one may begin as another does.
  const pointers = [...known.keys()].sort((a, b) => b.length - a.length)
  const bits: Bits[number][] = []
  const usual = before.find((bit) => typeof bit !== 'string' && 'to' in bit) as Address | undefined
  let text = ''
  let at = 0
  const put = (bit: Address | PatternHole, length: number) => {
    if (text !== '') bits.push(text)
    bits.push(bit)
    text = ''
    at += length
  }
  while (at < source.length) {
    const next = pointers.find((pointer) => source.startsWith(pointer, at))
    if (next !== undefined) {
      put(valueFor(known, next), next.length)
      continue
    }
    const typed = typedPointer(source, at, usual ?? RELATIVE)
    if (typed) put(typed, pointerOf(typed).length)
    else text += source[at++]!
  }
  if (text !== '') bits.push(text)
  return bits
}

/** Whether nothing in a text of a template, or of a pattern, looks like a pointer or hole of it and is none. */
export const canBeEdited = (bits: Bits, isPattern = false): boolean =>
  joined(bits).every(
    (bit) => typeof bit !== 'string' || isSameData(bitsOfMiddle(bit, bits, isPattern), [bit]),
  )

/** The same bits with texts that stand beside each other as one. */
function joined(bits: Bits): Bits {
  const all: Bits[number][] = []
  for (const bit of bits) {
    const last = all.at(-1)
    if (typeof bit === 'string' && typeof last === 'string') all[all.length - 1] = last + bit
    else if (bit !== '') all.push(bit)
  }
  return all
}
