import { diffArrays } from 'diff'
import { type Block, blocksOf } from './blocks.ts'

/** Blocks from `start` to `end` of a text, and what is in their place in another. */
interface Edit {
  readonly start: number
  readonly end: number
  readonly blocks: readonly Block[]
}

/** A text taken apart: its blocks, and the white space after the last. */
interface Parts {
  readonly blocks: readonly Block[]
  readonly after: string
}

/** Undefined where the source does not say where its blocks stand. */
function partsOf(html: string): Parts | undefined {
  const blocks = blocksOf(html)
  const after = html.slice(blocks.reduce((sum, { before, source }) => sum + before.length + source.length, 0))
  return after.trim() === '' ? { blocks, after } : undefined
}

const sourcesOf = (blocks: readonly Block[]) => blocks.map(({ source }) => source)

function editsBetween(from: readonly Block[], to: readonly Block[]): Edit[] {
  const edits: Edit[] = []
  let [at, next] = [0, 0]
  let open: { start: number; end: number; blocks: Block[] } | undefined
  for (const { added, removed, value } of diffArrays(sourcesOf(from), sourcesOf(to))) {
    if (!added && !removed) {
      if (open) edits.push(open)
      open = undefined
      at += value.length
      next += value.length
      continue
    }
    open ??= { start: at, end: at, blocks: [] }
    if (removed) open.end = at += value.length
    else open.blocks.push(...to.slice(next, (next += value.length)))
  }
  return open ? [...edits, open] : edits
}

const isSame = (one: Edit, other: Edit) =>
  one.start === other.start &&
  one.end === other.end &&
  sourcesOf(one.blocks).join('\0') === sourcesOf(other.blocks).join('\0')

/** Whether two edits are about the same block, or put blocks at the same place. */
const isAgainst = (one: Edit, other: Edit) =>
  (one.start < other.end && other.start < one.end) ||
  (one.start === one.end && other.start === other.end && one.start === other.start)

/** Both lists of edits made on the same blocks; undefined where two are about the same block. */
function both(blocks: readonly Block[], mine: readonly Edit[], theirs: readonly Edit[]): Block[] | undefined {
  const others = theirs.filter((edit) => !mine.some((own) => isSame(own, edit)))
  if (mine.some((own) => others.some((edit) => isAgainst(own, edit)))) return undefined
  const edits = [...mine, ...others].sort((a, b) => a.start - b.start || a.end - b.end)
  const merged: Block[] = []
  let at = 0
  for (const { start, end, blocks: instead } of edits) {
    merged.push(...blocks.slice(at, start), ...instead)
    at = end
  }
  return [...merged, ...blocks.slice(at)]
}

/**
 * Merges what two people made of the main content of a page, where they wrote in different blocks of it: paragraphs,
 * headings, lists, tables.
 * @param base what both had before
 * @returns the text with the edits of both; undefined where both changed the same block, or where one leaves something
 *   open that would take in a block of the other
 */
export function mergeContent(base: string, mine: string, theirs: string): string | undefined {
  if (mine === theirs || theirs === base) return mine
  if (mine === base) return theirs
  const [was, own, other] = [partsOf(base), partsOf(mine), partsOf(theirs)]
  if (!was || !own || !other) return undefined
  const merged = both(
    was.blocks,
    editsBetween(was.blocks, own.blocks),
    editsBetween(was.blocks, other.blocks),
  )
  if (!merged) return undefined
  const html =
    merged.map(({ before, source }, at) => (at > 0 && before === '' ? '\n' : before) + source).join('') +
    (own.after === was.after ? other.after : own.after)
  const read = sourcesOf(blocksOf(html))
  const wanted = sourcesOf(merged)
  return read.length === wanted.length && read.every((source, at) => source === wanted[at]) ? html : undefined
}

/** The blocks of a text that another does not have, by their sources. */
export function blocksBeyond(html: string, base: string): string[] {
  const there = new Set(sourcesOf(blocksOf(base)))
  return sourcesOf(blocksOf(html)).filter((source) => !there.has(source))
}
