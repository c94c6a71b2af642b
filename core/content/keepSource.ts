import { diffArrays } from 'diff'
import { type Block, blocksOf } from './blocks.ts'
import { isBlank } from './visual/elements.ts'
import { sameContent } from './visual/sameContent.ts'

/** The source that was taken apart last: it is asked of again at every key. */
let last: { readonly source: string; readonly blocks: readonly Block[] } | undefined

/** A text with the blanks around it that another has: in a template they stand between the content and what is around it. */
function withBlanksOf(source: string, text: string): string {
  let [start, end] = [0, source.length]
  while (start < end && isBlank(source[start]!)) start++
  while (end > start && isBlank(source[end - 1]!)) end--
  return text === '' || start === end ? text : source.slice(0, start) + text + source.slice(end)
}

/**
 * What an editor made of a source, with every block that was not touched as the author had written it.
 * @param source before the edit
 * @param opened the blocks that the editor wrote when it had opened that source
 * @param edited those that it writes now
 */
export function keepSource(source: string, opened: readonly string[], edited: readonly string[]): string {
  if (opened.length === edited.length && opened.every((block, at) => block === edited[at])) return source
  if (last?.source !== source) last = { source, blocks: blocksOf(source) }
  const own = last.blocks
  // Where the editor sees other blocks than the source has, there is nothing to hold them by.
  if (own.length !== opened.length) return withBlanksOf(source, edited.join('\n'))
  let written = ''
  let at = 0
  /** The block of the source that was put last; another than the one before it has a line of its own. */
  let put = -1
  const putOwn = () => {
    const { before, source: block } = own[at]!
    const gap = put === at - 1 ? before : before || '\n'
    written += (written === '' ? '' : gap) + block
    put = at++
  }
  const putNew = (block: string) => {
    written += (written === '' ? '' : '\n') + block
    put = -2
  }
  for (const { added, removed, value } of diffArrays([...opened], [...edited])) {
    if (removed) at += value.length
    else if (added) value.forEach(putNew)
    else value.forEach(putOwn)
  }
  // What a block leaves open would draw in what stands behind it now.
  const tidy = edited.join('\n')
  return withBlanksOf(source, sameContent(written, tidy) ? written : tidy)
}

/** Where a place of a source is found by those who do not see the source. */
interface PlaceOfSource {
  /** Which of the blocks at the top it is in, from 0. */
  readonly block: number
  /** The words that begin there; empty without any. */
  readonly words: string
}

/** The block and the words at a place of a source. @param start in characters */
export function placeOfSource(html: string, start: number): PlaceOfSource {
  let from = 0
  let block = -1
  for (const { before, source } of blocksOf(html)) {
    from += before.length
    if (from > start) break
    block++
    from += source.length
  }
  const after = html.slice(start, start + 300).replace(/^(?:\s*<[^<>]*>)+/, '')
  return { block: Math.max(0, block), words: /^[^<&\n]{0,40}/.exec(after)![0].trim() }
}
