import type { Change, SingleChange } from '../plan/change/change.ts'
import { labelOf, type PageEntry } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { entryOf } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { valueFor } from '../standard/present.ts'
import { addressesOf, ownName } from './addresses.ts'
import { wishedName } from './wishedName.ts'

/** Addresses of one pin, the newest of which are kept when there are more. */
const MAX_ADDRESSES = 100

/** Whether the address that a page has now is one that it was given out at. */
export function isPinnedHere(site: Site, page: PageEntry): boolean {
  return page.pin?.addresses.includes(valueFor(addressesOf(site).paths, page.id)) ?? false
}

/** The pages on the site whose present address is not pinned yet. */
export function unpinnedPages(site: Site): EntryId[] {
  const ids: EntryId[] = []
  for (const entry of site.plan.entries.values())
    if (isWritten(site, entry) && !isPinnedHere(site, entry)) ids.push(entry.id)
  return ids
}

/**
 * Whether the outline should show that a page is pinned: the author pinned it, or it would have another name without the
 * pin. After a publication every page is pinned, and most of them where they would be anyway. Existing pages keep their own
 * names by design.
 */
export function isPinTold({ settings, plan }: Site, page: PageEntry): boolean {
  const { pin } = page
  if (!pin) return false
  if (pin.byHand) return true
  // The home page is always the index.
  if (page.id === plan.home) return false
  if (settings.layout === 'own' || page.fileName !== '') return false
  const { separator } = settings
  const derived = wishedName({ ...page, pin: null }, separator)
  // A name that others have, too, carries a number.
  return pin.name !== derived && !new RegExp(`^${separator}\\d+$`).test(pin.name.slice(derived.length))
}

/**
 * Pins pages at their present addresses, as when the site is published; undefined when all of them are.
 * @param byHand whether the author does it
 */
export function pinPages(site: Site, ids: readonly EntryId[], byHand = false): Change | undefined {
  const { paths } = addressesOf(site)
  const changes = ids.flatMap((id): SingleChange[] => {
    const page = entryOf(site.plan, id)
    if (page.kind !== 'page' || isPinnedHere(site, page)) return []
    const addresses = [...(page.pin?.addresses ?? []), valueFor(paths, id)].slice(-MAX_ADDRESSES)
    const isByHand = byHand || page.pin?.byHand
    const value = { name: ownName(site, id), addresses, ...(isByHand ? { byHand: true as const } : {}) }
    return [{ kind: 'setEntry', entry: id, field: 'pin', value }]
  })
  if (changes.length === 0) return undefined
  const words =
    changes.length === 1
      ? `The address of “${labelOf(entryOf(site.plan, ids[0]!))}” pinned`
      : `The addresses of ${changes.length} pages pinned`
  return changes.length === 1 ? changes[0] : { kind: 'batch', words, changes }
}
