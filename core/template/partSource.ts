import type { Address, Bits, PatternHole } from '../plan/surround/templates.ts'
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

/**
 * An edited text of a template. A pointer that stood there before is written as it was; all else is text.
 * @param before what was edited
 * @param isPattern whether it is a text of a pattern, in which holes may stand
 */
export function bitsOfSource(source: string, before: Bits, isPattern = false): Bits {
  const known = new Map<string, Address | PatternHole>(isPattern ? HOLES : [])
  for (const bit of before)
    if (typeof bit !== 'string' && 'to' in bit && !known.has(pointerOf(bit))) known.set(pointerOf(bit), bit)
  // The longer first: one may begin as another does.
  const pointers = [...known.keys()].sort((a, b) => b.length - a.length)
  const bits: Bits[number][] = []
  let text = ''
  let at = 0
  while (at < source.length) {
    const next = pointers.find((pointer) => source.startsWith(pointer, at))
    if (next === undefined) {
      text += source[at++]!
      continue
    }
    if (text !== '') bits.push(text)
    bits.push(known.get(next)!)
    text = ''
    at += next.length
  }
  if (text !== '') bits.push(text)
  return bits
}

/** Whether a text of a template, or of a pattern, is the same once it was edited and left as it was. */
export const canBeEdited = (bits: Bits, isPattern = false): boolean =>
  isSameData(joined(bitsOfSource(sourceOfBits(bits), bits, isPattern)), joined(bits))

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
