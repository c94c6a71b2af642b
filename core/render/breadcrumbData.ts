import { breadcrumbOf } from '../navigate/breadcrumb.ts'
import { absoluteUrl } from '../address/href.ts'
import { addressesOf } from '../address/addresses.ts'
import { labelOf, type PageEntry } from '../plan/entry.ts'
import { isWritten, type PiecesSite } from '../plan/site.ts'
import { valueFor } from '../standard/present.ts'
import type { Links } from './links.ts'

/**
 * The way to a page as data: https://schema.org/BreadcrumbList. Entries without an address are left out, and positions
 * count from 1. An address is absolute where the published one is known, else as links on the page are written.
 */
export function breadcrumbData(site: PiecesSite, page: PageEntry, links: Links): string {
  const { plan, settings, surround } = site
  if (!surround.breadcrumb.data) return ''
  const { paths } = addressesOf(site)
  const items = breadcrumbOf(plan, surround.breadcrumb, page.id)
    .flatMap((id) => {
      const entry = plan.entries.get(id)
      return isWritten(site, entry) ? [entry] : []
    })
    .map((entry, at) => ({
      '@type': 'ListItem',
      position: at + 1,
      name: labelOf(entry),
      item:
        settings.baseUrl === ''
          ? links.toPage(entry.id)!.replaceAll('&amp;', '&')
          : absoluteUrl(settings, valueFor(paths, entry.id)),
    }))
  if (items.length === 0) return ''
  const data = { '@context': 'https://schema.org', '@type': 'BreadcrumbList', itemListElement: items }
  // Nothing in a script element may look like a tag: https://html.spec.whatwg.org/multipage/scripting.html#restrictions-for-contents-of-script-elements
  return `    <script type="application/ld+json">${JSON.stringify(data).replaceAll('<', '\\u003c')}</script>\n`
}
