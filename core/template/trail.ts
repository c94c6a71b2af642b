import { wayTo } from '../navigate/breadcrumb.ts'
import { targetOfEntry } from '../navigate/menu.ts'
import type { EntryId } from '../plan/ids.ts'
import { labelOf } from '../plan/entry.ts'
import { entryOf } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import type { TrailPattern } from '../plan/surround/templates.ts'
import type { Writing } from './writing.ts'

/** A breadcrumb of a page in the author's own way of writing; empty where the page has none. */
export function writeTrail(site: Site, pattern: TrailPattern, page: EntryId, writing: Writing): string {
  const { plan } = site
  const way = page === plan.home ? (pattern.isOnHome ? [page] : []) : wayTo(plan, page)
  if (way.length === 0) return ''
  const items = way.flatMap((id) => {
    const entry = entryOf(plan, id)
    const title = entry.kind === 'page' ? entry.title : entry.label
    const value = { label: labelOf(entry), title, target: targetOfEntry(site, id) }
    const bits = id === page ? pattern.self : value.target ? pattern.link : (pattern.group ?? pattern.link)
    return bits ? [writing.bits(bits, { item: value }, pattern.spelling)] : []
  })
  return (
    writing.bits(pattern.before, {}, pattern.spelling) +
    items.join(pattern.between) +
    writing.bits(pattern.after, {}, pattern.spelling)
  )
}
