import * as v from 'valibot'
import { fileNameFault, isReservedName } from './fileName.ts'
import { line } from './text.ts'

/** What is wrong with a path from the top of a site (`walks/locks.html`), in words; undefined when it will do. */
export function sitePathFault(path: string): string | undefined {
  if (path.startsWith('/')) return 'A path starts at the top of the site, without a slash before it.'
  if (/^index\.(?:html?|php|shtml)\//i.test(path)) return 'The home page stands there: it is no folder.'
  for (const name of path.split('/')) {
    const fault =
      name === '' ? 'A path names a file: no two slashes in a row, none at the end.' : fileNameFault(name)
    if (fault) return fault
    if (isReservedName(name)) return `“${name}” is a name that Windows keeps for a device.`
  }
  return undefined
}

/** A plain path of a file, from the top of the site. */
export const sitePathSchema = v.pipe(
  line(1000),
  v.rawCheck(({ dataset, addIssue }) => {
    const fault = dataset.typed && sitePathFault(dataset.value)
    if (fault) addIssue({ message: fault })
  }),
)
