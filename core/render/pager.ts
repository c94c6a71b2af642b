import type { Neighbours } from '../navigate/readingOrder.ts'
import { type EntryId, labelOf } from '../plan/entry.ts'
import { entryOf } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import { escapeText } from './escape.ts'
import type { Links } from './links.ts'
import { WORDS } from './words.ts'

/** The previous and next links of a page; nothing for a page that has neither. */
export function renderPager({ plan, settings }: Site, { previous, next }: Neighbours, links: Links): string {
  const link = (page: EntryId | undefined, rel: 'prev' | 'next', word: string) =>
    page === undefined
      ? ''
      : `      <a rel="${rel}" href="${links.toPage(page)}"><span class="pager-word">${escapeText(word)}</span> ` +
        `<span class="pager-page">${escapeText(labelOf(entryOf(plan, page)))}</span></a>\n`
  const both = link(previous, 'prev', settings.previousWord) + link(next, 'next', settings.nextWord)
  return both && `    <nav class="pager" aria-label="${WORDS.pager}">\n${both}    </nav>\n`
}
