import { breadcrumbOf } from '../navigate/breadcrumb.ts'
import { labelOf, type PageEntry } from '../plan/entry.ts'
import { entryOf } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import { escapeText } from './escape.ts'
import type { Links } from './links.ts'
import { WORDS } from './words.ts'

/**
 * The way to the page as in the breadcrumb pattern of the WAI-ARIA Authoring Practices; nothing on the home page.
 * https://www.w3.org/WAI/ARIA/apg/patterns/breadcrumb/
 */
export function renderBreadcrumb({ plan }: Site, page: PageEntry, links: Links): string {
  const way = breadcrumbOf(plan, page.id)
  if (way.length === 0) return ''
  const items = way.map((id) => {
    const entry = entryOf(plan, id)
    const label = escapeText(labelOf(entry))
    if (id === page.id) return `        <li><span aria-current="page">${label}</span></li>\n`
    const href = links.toEntry(entry)
    return `        <li>${href === undefined ? label : `<a href="${href}">${label}</a>`}</li>\n`
  })
  return `    <nav class="breadcrumb" aria-label="${WORDS.breadcrumb}">\n      <ol>\n${items.join('')}      </ol>\n    </nav>\n`
}
