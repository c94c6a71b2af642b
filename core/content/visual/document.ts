/**
 * Main content as the visual editor holds it: blocks that hold blocks or text, and marks on the text, in the shape that
 * ProseMirror reads and writes as JSON (https://prosemirror.net/docs/ref/#model.Node.toJSON).
 */
export interface DocNode {
  readonly type: string
  readonly attrs?: Readonly<Record<string, unknown>>
  readonly content?: readonly DocNode[]
  readonly text?: string
  readonly marks?: readonly DocMark[]
}

/** What a part of a text is, besides being text: a link, emphasis, or any other element within a line. */
export interface DocMark {
  readonly type: string
  readonly attrs?: Readonly<Record<string, unknown>>
}

/**
 * How a paragraph stands in its source. `auto` is as a careful person would write it there: without a `p` where it is all
 * of an item or a cell, with one elsewhere.
 */
export type Wrapped = 'auto' | 'p' | 'bare'

/** Attributes of an element that the editor has no use for, by name, as they were read: kept and written again. */
export type Kept = readonly (readonly [name: string, value: string])[]

/** Attributes as the editor holds them, as a text; empty without any. */
export const packed = (attributes: Kept): string =>
  attributes.length === 0 ? '' : JSON.stringify(attributes)

/** @returns what `packed` made a text of; none where it is no such text, as what comes by the clipboard may be */
export function unpacked(text: unknown): Kept {
  if (typeof text !== 'string' || text === '') return []
  try {
    const read: unknown = JSON.parse(text)
    const isPair = (one: unknown): one is [string, string] =>
      Array.isArray(one) && one.length === 2 && one.every((part) => typeof part === 'string')
    return Array.isArray(read) ? read.filter(isPair) : []
  } catch {
    return []
  }
}
