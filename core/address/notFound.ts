import type { EntryId } from '../plan/ids.ts'
import { isWritten, type Site } from '../plan/site.ts'

/**
 * The page that hosts show for an address where there is none; undefined where none is chosen, or it is not on the site. The
 * home page is none.
 * It comes at any address, also in a folder that is not there: its links start from the top of the host.
 */
export function notFoundPage({ plan, settings }: Pick<Site, 'plan' | 'settings'>): EntryId | undefined {
  const id = settings.notFound
  return id !== null && id !== plan.home && isWritten({ settings }, plan.entries.get(id)) ? id : undefined
}
