import type { Address, Bits } from '../plan/surround/templates.ts'

const pointerOf = ({ to, id, tail }: Address): string => `${to}:${id}${tail}`

/** A text of a template as its author edits it: addresses stand as pointers, as they do in main content. */
export const sourceOfBits = (bits: Bits): string =>
  bits
    .map((bit) => (typeof bit === 'string' ? bit : 'hole' in bit ? `{${bit.hole}}` : pointerOf(bit)))
    .join('')

/**
 * An edited text of a template. A pointer that stood there before is written as it was; all else is text.
 * @param before what was edited
 */
export function bitsOfSource(source: string, before: Bits): Bits {
  const known = new Map<string, Address>()
  for (const bit of before)
    if (typeof bit !== 'string' && !('hole' in bit) && !known.has(pointerOf(bit)))
      known.set(pointerOf(bit), bit)
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

/** Whether a text of a template is the same once it was edited and left as it was. */
export const canBeEdited = (bits: Bits): boolean =>
  JSON.stringify(joined(bitsOfSource(sourceOfBits(bits), bits))) === JSON.stringify(joined(bits))

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
