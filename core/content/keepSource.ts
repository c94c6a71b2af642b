import { diffArrays } from 'diff'
import { isElement, parseMainContent, textOf } from '../standard/fragment.ts'
import { tidyHtml } from './tidyHtml.ts'

/** A block of main content as its source has it, with the white space before it. */
interface Block {
  readonly before: string
  readonly source: string
}

/** The blocks at the top of main content. */
function blocksOf(html: string): Block[] {
  const blocks: Block[] = []
  let from = 0
  for (const node of parseMainContent(html, true).childNodes) {
    const at = node.sourceCodeLocation
    if (!at || (!isElement(node) && textOf(node).trim() === '')) continue
    blocks.push({
      before: html.slice(from, at.startOffset),
      source: html.slice(at.startOffset, at.endOffset),
    })
    from = at.endOffset
  }
  return blocks
}

/**
 * What an editor made of a source, with every block that was not touched as the author had written it.
 * @param source before the edit
 * @param opened what the editor wrote when it had opened that source
 * @param edited what it writes now
 */
export function keepSource(source: string, opened: string, edited: string): string {
  if (opened === edited) return source
  const [own, was, is] = [blocksOf(source), blocksOf(opened), blocksOf(edited)]
  // Where the editor sees other blocks than the source has, there is nothing to hold them by.
  if (own.length !== was.length) return tidyHtml(edited)
  const texts = (blocks: readonly Block[]) => blocks.map((block) => block.source)
  let written = ''
  let at = 0
  const put = (before: string, block: string) => (written += (written === '' ? '' : before || '\n') + block)
  for (const { added, removed, value } of diffArrays(texts(was), texts(is))) {
    if (removed) at += value.length
    else if (added) for (const block of value) put('\n', tidyHtml(block))
    else for (let n = 0; n < value.length; n++, at++) put(own[at]!.before, own[at]!.source)
  }
  return written
}
