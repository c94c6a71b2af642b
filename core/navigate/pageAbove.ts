import type { EntryId } from '../plan/ids.ts'
import { ancestorsOf } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'

/** Where the link up leads: to the nearest page above that is on the site. None on the home page. */
export function pageAbove(site: Site, page: EntryId): EntryId | undefined {
  return ancestorsOf(site.plan, page).findLast((id) => isWritten(site, site.plan.entries.get(id)))
}
