import type { PiecesSite } from '../../plan/site.ts'
import { type LinksOnPage, type PieceOutput, SHOWS_OF_THE_PAGE } from '../pieceOutput.ts'
import { pageAbove } from '../../navigate/pageAbove.ts'
import { labelOf } from '../../plan/entry.ts'
import type { EntryId } from '../../plan/ids.ts'
import { entryOf } from '../../plan/plan.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'
import { escapeAttribute, escapeText } from '../../standard/escape.ts'
import type { Around, Prepared } from '../around.ts'

/** The previous and next links of each page, and the link up; nothing for a page that has none of them. */
export function preparePager(
  { shows, up }: Pick<PieceOf<'pager'>, 'shows' | 'up'>,
  around: Around,
): Prepared {
  const { site, links, indent, words, names } = around
  const label = escapeAttribute(names.label(words.pager, 'pager'))
  const link = (page: EntryId | undefined, attribute: string, word: string) => {
    if (page === undefined) return ''
    const name = escapeText(labelOf(entryOf(site.plan, page)))
    const parts = [
      shows !== 'labels' && `<span class="pager-word">${escapeText(word)}</span>`,
      shows !== 'words' && `<span class="pager-page">${name}</span>`,
    ].filter((part) => part !== false)
    // What shows no direction says one.
    const said =
      shows === 'labels'
        ? ` aria-label="${escapeAttribute(word)}: ${escapeAttribute(labelOf(entryOf(site.plan, page)))}"`
        : ''
    return `${indent}  <a ${attribute}${said} href="${links.toPage(page)}">${parts.join(' ')}</a>\n`
  }
  return ({ page, order: { previous, next } }) => {
    const all =
      link(previous, 'rel="prev"', words.previous) +
      link(up ? pageAbove(site, page.id) : undefined, 'class="pager-up"', words.up) +
      link(next, 'rel="next"', words.next)
    return all && `${indent}<nav class="pager" aria-label="${label}">\n${all}${indent}</nav>\n`
  }
}

/** The links of the pager on each page. @param up whether one leads to the parent */
export function pagerLinks(site: PiecesSite, up: boolean): LinksOnPage {
  return ({ page, order: { previous, next } }) =>
    [previous, up ? pageAbove(site, page.id) : undefined, next].filter((id) => id !== undefined)
}

export const pagerOutput: PieceOutput<PieceOf<'pager'>> = {
  prepare: (piece, around) => ({ html: preparePager(piece, around) }),
  links: ({ up }, site) => pagerLinks(site, up),
  ...SHOWS_OF_THE_PAGE,
}
