import type { Change, SingleChange } from '../plan/change/change.ts'
import { type EntryId, labelOf, type PageEntry } from '../plan/entry.ts'
import { entryOf } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { addressesOf, ownName } from './addresses.ts'

/** Addresses of one pin, the newest of which are kept when there are more. */
const MAX_ADDRESSES = 100

/** Whether the address that a page has now is one that it was given out at. */
export function isPinnedHere(site: Site, page: PageEntry): boolean {
  return page.pin?.addresses.includes(addressesOf(site).paths.get(page.id)!) ?? false
}

/** The pages on the site whose present address is not pinned yet. */
export function unpinnedPages(site: Site): EntryId[] {
  const ids: EntryId[] = []
  for (const entry of site.plan.entries.values())
    if (isWritten(site, entry) && !isPinnedHere(site, entry)) ids.push(entry.id)
  return ids
}

/** Pins pages where they stand now, as when the site is given out; undefined when all of them are. */
export function pinPages(site: Site, ids: readonly EntryId[]): Change | undefined {
  const { paths } = addressesOf(site)
  const changes = ids.flatMap((id): SingleChange[] => {
    const page = entryOf(site.plan, id)
    if (page.kind !== 'page' || isPinnedHere(site, page)) return []
    const addresses = [...(page.pin?.addresses ?? []), paths.get(id)!].slice(-MAX_ADDRESSES)
    return [{ kind: 'setEntry', entry: id, field: 'pin', value: { name: ownName(site, id), addresses } }]
  })
  if (changes.length === 0) return undefined
  const words =
    changes.length === 1
      ? `The address of “${labelOf(entryOf(site.plan, ids[0]!))}” pinned`
      : `The addresses of ${changes.length} pages pinned`
  return changes.length === 1 ? changes[0] : { kind: 'batch', words, changes }
}
