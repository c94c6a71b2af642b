import { isWritten, type PiecesSite } from '../../plan/site.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'
import { type LinksOnPage, type PieceOutput, SHOWS_OF_THE_PAGE } from '../pieceOutput.ts'
import { breadcrumbOf } from '../../navigate/breadcrumb.ts'
import { labelOf } from '../../plan/entry.ts'
import { entryOf } from '../../plan/plan.ts'
import { escapeAttribute, escapeText } from '../../standard/escape.ts'
import type { Around, Prepared } from '../around.ts'

/**
 * The way to each page as in the breadcrumb pattern of the WAI-ARIA Authoring Practices; nothing on the home page.
 * Its separators are drawn by the style sheet. https://www.w3.org/WAI/ARIA/apg/patterns/breadcrumb/
 */
export function prepareBreadcrumb({ site, links, indent, words, names }: Around): Prepared {
  const { plan, surround } = site
  const rule = surround.breadcrumb
  const open = `${indent}<nav class="breadcrumb" aria-label="${escapeAttribute(names.label(words.breadcrumb, 'breadcrumb'))}">\n`
  return ({ page }) => {
    const way = breadcrumbOf(plan, rule, page.id)
    const shown = rule.showsPage ? way : way.slice(0, -1)
    const items = shown.map((id) => {
      const entry = entryOf(plan, id)
      const label = escapeText(labelOf(entry))
      if (id === page.id) return `${indent}    <li><span aria-current="page">${label}</span></li>\n`
      const href = links.toEntry(entry)
      return `${indent}    <li>${href === undefined ? label : `<a href="${href}">${label}</a>`}</li>\n`
    })
    return items.length === 0
      ? ''
      : `${open}${indent}  <ol>\n${items.join('')}${indent}  </ol>\n${indent}</nav>\n`
  }
}

/** The links of the breadcrumb on each page. */
export function breadcrumbLinks(site: PiecesSite): LinksOnPage {
  const { plan, surround } = site
  return ({ page }) =>
    breadcrumbOf(plan, surround.breadcrumb, page.id)
      .slice(0, -1)
      .filter((id) => isWritten(site, plan.entries.get(id)))
}

export const breadcrumbOutput: PieceOutput<PieceOf<'breadcrumb'>> = {
  prepare: (_, around) => ({ html: prepareBreadcrumb(around) }),
  links: (_, site) => breadcrumbLinks(site),
  ...SHOWS_OF_THE_PAGE,
}
