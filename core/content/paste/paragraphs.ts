import type { ElementContent, RootContent } from 'hast'
import { lastOf } from '../../standard/present.ts'
import { BLOCKS, element, holdsBlocks, isBlock, isElement, isGap, type Parent } from './tree.ts'

/** Blocks that hold blocks, of which nothing stays but what is in them. */
const UNWRAPPED = new Set(
  'div section article header footer main aside nav address center form fieldset details summary'.split(' '),
)

/** Makes paragraphs of what stands for them: lines in boxes, and lines parted by two breaks. */
export function makeParagraphs(parent: Parent): void {
  const made: RootContent[] = []
  for (const child of parent.children) {
    if (!isElement(child)) {
      made.push(child)
      continue
    }
    makeParagraphs(child)
    const holds = holdsBlocks(child)
    if (UNWRAPPED.has(child.tagName))
      made.push(...(holds ? inParagraphs(child.children) : [element('p', child.children)]))
    // An element of a line around blocks is none that could stay.
    else if (holds && !BLOCKS.has(child.tagName)) made.push(...child.children)
    else made.push(child)
  }
  const isHolder = !isElement(parent as RootContent) || isElement(parent as RootContent, 'blockquote')
  parent.children = (isHolder ? inParagraphs(made) : made).flatMap(parted) as ElementContent[]
}

/** What stands between blocks, each line of it as a paragraph. */
function inParagraphs(nodes: readonly RootContent[]): RootContent[] {
  if (!nodes.some(isBlock)) return [...nodes]
  const made: RootContent[] = []
  let line: ElementContent[] = []
  const end = () => {
    if (!line.every(isGap)) made.push(element('p', line))
    line = []
  }
  for (const node of nodes) {
    if (isBlock(node)) {
      end()
      made.push(node)
    } else line.push(node as ElementContent)
  }
  end()
  return made
}

/** A paragraph as several where two breaks part its text; without those that end it. */
function parted(node: RootContent): RootContent[] {
  if (!isElement(node, 'p')) return [node]
  const lines: ElementContent[][] = [[]]
  let breaks: ElementContent[] = []
  for (const child of node.children) {
    if (isElement(child, 'br')) breaks.push(child)
    else if (breaks.length > 0 && isGap(child)) continue
    else {
      if (breaks.length > 1) lines.push([])
      else lastOf(lines).push(...breaks)
      breaks = []
      lastOf(lines).push(child)
    }
  }
  return lines.filter((line) => !line.every(isGap)).map((line) => element('p', line, node.properties))
}
