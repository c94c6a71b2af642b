import type { Stretch } from '../../standard/pageTokens.ts'
import { tailOf } from '../../template/spelling.ts'
import type { PageElement } from '../pages/nodes.ts'
import type { ReadPage } from '../pages/readPage.ts'
import type { IdOf, Sources } from '../template/source.ts'

/** What stands in content as a whole, and is not what content stands in. */
const BLOCKS = new Set('p ul ol dl li dt dd pre blockquote figure h2 h3 h4 h5 h6'.split(' '))

/** A stretch with all of the block that it fills: where all pages have one paragraph, only what is in that differs. */
function wholeBlock({ root }: ReadPage, { start, end }: Stretch): Stretch {
  let block: PageElement | undefined
  for (let at: PageElement | undefined = root; at;) {
    if (BLOCKS.has(at.tag)) {
      block = at
      break
    }
    at = at.children.find((child) => child.start <= start && child.end >= end)
  }
  return block ? { start: block.start, end: block.end } : { start, end }
}

/** The content of a page with pointers in the place of all references to what the site has, however they are written. */
export function pointedContent(sources: Sources, page: ReadPage, content: Stretch, idOf: IdOf): string {
  const { start, end } = wholeBlock(page, content)
  let html = ''
  let at = start
  for (const { start: from, end: to, target, raw, isInclude } of sources.references(page)) {
    if (from < start || to > end || target.to !== 'file' || isInclude) continue
    const place = idOf(target.path)
    if (!place) continue
    html += `${page.text.slice(at, from)}${place.to}:${place.id}${tailOf(raw)}`
    at = to
  }
  return html + page.text.slice(at, end)
}
