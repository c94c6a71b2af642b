import { isElement, type Node, parseMainContent } from '../standard/fragment.ts'
import { isBlank, piecesOf } from './visual/elements.ts'

/** A block of main content as its source has it, with the white space before it. */
export interface Block {
  readonly before: string
  readonly source: string
}

/** The blocks at the top of main content, and the lines between them; none where the source does not say where they stand. */
export function blocksOf(html: string): Block[] {
  const fragment = parseMainContent(html, true)
  const blocks: Block[] = []
  let from = 0
  for (const { block, run } of piecesOf(fragment.childNodes)) {
    const nodes: readonly Node[] = run ?? [block]
    const [first, last] = [nodes[0]!.sourceCodeLocation, nodes.at(-1)!.sourceCodeLocation]
    if (!first || !last || first.startOffset < from) return []
    // The parser moves misplaced content out of a table: its place in the source is not where it is shown.
    const isApart = nodes.every((node) => !isElement(node) || node.sourceCodeLocation?.startTag)
    if (!isApart) return []
    const source = html.slice(first.startOffset, last.endOffset)
    const lead = source.search(/[^\t\n\f\r ]/)
    let end = source.length
    while (isBlank(source[end - 1]!)) end--
    const own = source.slice(lead, end)
    blocks.push({ before: html.slice(from, first.startOffset + lead), source: own })
    from = last.endOffset
  }
  return blocks
}

/** The sources of the blocks at the top of main content. */
export const sourcesOf = (html: string): string[] => blocksOf(html).map(({ source }) => source)
