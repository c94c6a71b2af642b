import { addressesOf } from '../address/addresses.ts'
import { redirectsOf } from '../address/redirects.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { nameKey } from '../standard/fileName.ts'
import type { OutputChoices } from './choices.ts'
import type { Difference } from './difference.ts'

/**
 * The addresses of published pages at which a publication leaves nothing, and from which no redirect leads on: visitors and
 * links of others find nothing there any more. In their order.
 */
export function endedAddresses(
  site: Site,
  { deleted, moved }: Pick<Difference, 'deleted' | 'moved'>,
  { redirectPages, rules }: Pick<OutputChoices, 'redirectPages' | 'rules'>,
): string[] {
  const there = new Set([...site.files.values()].map(({ path }) => nameKey(path)))
  for (const [id, path] of addressesOf(site).paths)
    if (isWritten(site, site.plan.entries.get(id))) there.add(nameKey(path))
  if (redirectPages || rules !== 'none')
    for (const { from, rests } of redirectsOf(site)) if (rests === undefined) there.add(nameKey(from))
  return [...deleted, ...moved.map(({ before }) => before)]
    .flatMap(({ path, role }) => (role === 'page' && !there.has(nameKey(path)) ? [path] : []))
    .sort()
}
