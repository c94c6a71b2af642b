import type { DocNode } from './document.ts'

export type TablePart = 'head' | 'body' | 'foot'

/** Whether a row is one of headings: all of its cells are headings, and of columns. */
const isOfHeadings = ({ content = [] }: DocNode): boolean =>
  content.length > 0 &&
  content.every(({ type, attrs }) => type === 'tableHeader' && attrs?.['scope'] !== 'row')

/**
 * The part of a table that each row belongs to: the one it says. A row that says none is of the head where it and all above
 * it are headings, and else of the part of the row above it. No row of the head stands below one that is not.
 */
export function partsOfRows(rows: readonly DocNode[]): TablePart[] {
  let above: TablePart = 'head'
  return rows.map((row) => {
    const said = row.attrs?.['part'] as TablePart | undefined | null
    const part = said ?? (above !== 'head' ? above : isOfHeadings(row) ? 'head' : 'body')
    above = part === 'head' && above !== 'head' ? above : part
    return above
  })
}
