import { wishedName } from '../address/wishedName.ts'
import type { Change } from '../plan/change/change.ts'
import { guarded } from '../plan/change/guard.ts'
import { labelOf } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { newGroup, newPage } from '../plan/newEntry.ts'
import type { Site } from '../plan/site.ts'

/**
 * The change that makes a page a group, or a group a page: it stays where it is, with all under it, and their addresses stay.
 * What a page says goes with it.
 * @returns undefined for the home page and for a link
 */
export function otherKind(site: Site, id: EntryId): Change | undefined {
  const { plan, settings } = site
  const entry = plan.entries.get(id)
  if (!entry || id === plan.home || entry.kind === 'link') return undefined
  const label = labelOf(entry)
  const { note, inMenu } = entry
  if (entry.kind === 'group') {
    const page = newPage(id, label, { fileName: entry.fileName, note, inMenu })
    return guarded(site, { kind: 'replaceEntry', entry: page })
  }
  // Its folder is called as that of the page was, which a pin may have held.
  const wished = wishedName(entry, settings.separator)
  const group = { ...newGroup(id, label), note, inMenu }
  const isDerived = wished === wishedName(group, settings.separator)
  return guarded(site, { kind: 'replaceEntry', entry: { ...group, fileName: isDerived ? '' : wished } })
}
