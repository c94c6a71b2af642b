import { nameKey } from '../../standard/fileName.ts'
import { valueFor } from '../../standard/present.ts'
import type { SiteRule } from '../rule.ts'

/** Two pages whose own file names are the same where case does not count: one of them got a number. */
export const nameTaken: SiteRule = {
  id: 'name-taken',
  group: 'addresses',
  severity: 'warning',
  about: 'two pages that ask for one file',
  source: 'Windows file names: https://learn.microsoft.com/windows/win32/fileio/naming-a-file',
  from: ({ site, addresses }) => [site.plan, addresses],
  findAll: ({ site, addresses }) =>
    [...addresses.names].flatMap(([id, name]) => {
      const entry = site.plan.entries.get(id)
      if (entry?.kind !== 'page' || entry.fileName === '' || id === site.plan.home) return []
      const path = valueFor(addresses.paths, id)
      // In the flat layout a name may carry those of its sections before it.
      if (nameKey(name).endsWith(nameKey(entry.fileName))) return []
      return [
        {
          place: { in: 'entry' as const, entry: id },
          words: `The file name “${entry.fileName}” is taken or kept by systems: the page is at ${path}.`,
          gist: `${entry.fileName} ${path}`,
        },
      ]
    }),
}
