import { itemAt } from '../../standard/present.ts'
import type { DocNode } from './document.ts'

/** Where a line that is all there is needs no paragraph of its own. */
const TIGHT = new Set(['listItem', 'tableCell', 'tableHeader', 'definition'])
const LISTS = new Set(['bulletList', 'orderedList'])

/**
 * Whether a paragraph is written without a `p`: as its source had it, and else in an item or a cell that holds no more than
 * it and lists. Two lines beside each other would become one, so
 * that each of these but the first has its `p`.
 * @param container the name of the node that holds the blocks
 */
export function isBare(container: string, blocks: readonly DocNode[], at: number): boolean {
  const wrapped = (itemAt(blocks, at).attrs?.['wrapped'] ?? 'auto') as string
  if (itemAt(blocks, at).attrs?.['kept'] || wrapped === 'p') return false
  if (wrapped === 'bare') return blocks[at - 1]?.attrs?.['wrapped'] !== 'bare'
  return TIGHT.has(container) && at === 0 && blocks.slice(1).every(({ type }) => LISTS.has(type))
}
