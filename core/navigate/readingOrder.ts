import type { EntryId } from '../plan/ids.ts'
import { ancestorsOf, childrenOf, type Plan, walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import type { OrderRule } from '../plan/surround/rules.ts'

/** What comes before and after a page in the reading order. */
export interface Neighbours {
  readonly previous: EntryId | undefined
  readonly next: EntryId | undefined
}

/**
 * The pages of the whole site in the order to read them: depth first, each before the pages under it, from the
 * home page. What is not a page, not written, or not in the order is passed over; what is under it is not.
 */
export function readingOrder(site: Site): readonly EntryId[] {
  const order: EntryId[] = []
  for (const { entry } of walk(site.plan)) if (isWritten(site, entry) && entry.inOrder) order.push(entry.id)
  return order
}

/** The section within which a page is read on and back; undefined for a page that is read by itself. */
function scopeOf(plan: Plan, { scope, series }: OrderRule): (page: EntryId) => EntryId | undefined {
  if (scope === 'site') return () => plan.home
  if (scope === 'section')
    return (page) => {
      const section = ancestorsOf(plan, page)[1] ?? page
      return section !== plan.home && childrenOf(plan, section).length > 0 ? section : undefined
    }
  const picked = new Set(series)
  // A series inside another is read for itself.
  return (page) => [...ancestorsOf(plan, page), page].findLast((id) => picked.has(id))
}

/** The reading order, cut into the runs within which previous and next lead. */
export function readingRuns(site: Site): readonly (readonly EntryId[])[] {
  const scope = scopeOf(site.plan, site.surround.order)
  const runs = new Map<EntryId, EntryId[]>()
  for (const page of readingOrder(site)) {
    const section = scope(page)
    if (section === undefined) continue
    const run = runs.get(section)
    if (run) run.push(page)
    else runs.set(section, [page])
  }
  return [...runs.values()]
}

const ALONE: Neighbours = { previous: undefined, next: undefined }

/** A look-up from page to neighbours. No run wraps; a page that is in none has none. */
export function neighboursIn(runs: readonly (readonly EntryId[])[]): (page: EntryId) => Neighbours {
  const places = new Map<EntryId, { run: readonly EntryId[]; at: number }>()
  for (const run of runs) run.forEach((id, at) => places.set(id, { run, at }))
  return (page) => {
    const place = places.get(page)
    return place ? { previous: place.run[place.at - 1], next: place.run[place.at + 1] } : ALONE
  }
}

const known = new WeakMap<Site, (page: EntryId) => Neighbours>()

/** The neighbours of the pages of a site. Remembered: a site is never changed in place. */
export function neighboursOf(site: Site): (page: EntryId) => Neighbours {
  let neighbours = known.get(site)
  if (!neighbours) {
    neighbours = neighboursIn(readingRuns(site))
    known.set(site, neighbours)
  }
  return neighbours
}
