import { type Element, isElement, type Node, parseMainContent } from '../standard/fragment.ts'
import { itemAt, lastOf } from '../standard/present.ts'
import { isVoid } from '../standard/voidElements.ts'
import { isBlank, piecesOf } from './visual/elements.ts'

/** A block of main content as its source has it, with the white space before it. */
export interface Block {
  readonly before: string
  readonly source: string
}

/** Whether something in an element is behind its end tag: what is not closed in a form goes on when the form ends. */
function isLeftBehind(element: Element): boolean {
  const end = element.sourceCodeLocation?.endOffset ?? 0
  let last: Node | undefined = element
  while (last && isElement(last)) {
    last = last.childNodes.at(-1)
    if ((last?.sourceCodeLocation?.endOffset ?? 0) > end) return true
  }
  return false
}

/** Whether a node is the last, and goes on to the end of the source, which the parser does not always say. */
const isOpen = (node: Node, { childNodes }: { readonly childNodes: readonly Node[] }): boolean =>
  node === childNodes.at(-1) &&
  isElement(node) &&
  !isVoid(node.tagName) &&
  (node.sourceCodeLocation?.endTag === undefined || isLeftBehind(node))

/**
 * The blocks at the top of main content, and the lines between them; none where the source does not say where they stand.
 * One after the other they are the source, but for blanks and what has no effect at its end.
 */
export function blocksOf(html: string): Block[] {
  const fragment = parseMainContent(html, true)
  const blocks: Block[] = []
  let from = 0
  for (const { block, run } of piecesOf(fragment.childNodes)) {
    const nodes: readonly Node[] = run ?? [block]
    const [first, last] = [itemAt(nodes, 0).sourceCodeLocation, lastOf(nodes).sourceCodeLocation]
    if (!first || !last || first.startOffset < from) return []
    // The parser moves misplaced content out of a table: its place in the source is not where it is shown.
    const isApart = nodes.every((node) => !isElement(node) || node.sourceCodeLocation?.startTag)
    if (!isApart) return []
    const source = html.slice(
      first.startOffset,
      isOpen(lastOf(nodes), fragment) ? html.length : last.endOffset,
    )
    const lead = source.search(/[^\t\n\f\r ]/)
    let end = source.length
    while (isBlank(source[end - 1]!)) end--
    const own = source.slice(lead, end)
    blocks.push({ before: html.slice(from, first.startOffset + lead), source: own })
    // Blanks at its end stand between it and the next: a paragraph that is not closed would else lose its line end.
    from = first.startOffset + end
  }
  return blocks
}

/** The sources of the blocks at the top of main content. */
export const sourcesOf = (html: string): string[] => blocksOf(html).map(({ source }) => source)
