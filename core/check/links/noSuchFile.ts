import { filePointer } from '../../pointer/pointer.ts'
import { filesByPath, type Site } from '../../plan/site.ts'
import { typedRule, URL_STANDARD } from './typedTarget.ts'

/** Returns the file name at the end of a reference, in lower case, without query and fragment; empty where there is none. */
function fileNameOf(reference: string): string {
  const [path = ''] = reference.split(/[?#]/, 1)
  const name = path.slice(path.lastIndexOf('/') + 1)
  try {
    return decodeURIComponent(name).toLowerCase()
  } catch {
    return name.toLowerCase()
  }
}

const byName = new WeakMap<Site['files'], ReadonlyMap<string, readonly string[]>>()

/** The ids of files by their names in lower case. */
function filesByName(site: Site): ReadonlyMap<string, readonly string[]> {
  const known = byName.get(site.files)
  if (known) return known
  const ids = new Map<string, string[]>()
  for (const { id, path } of filesByPath(site)) {
    const name = fileNameOf(path)
    ids.set(name, [...(ids.get(name) ?? []), id])
  }
  byName.set(site.files, ids)
  return ids
}

/** A path at which the site has nothing. */
export const noSuchFile = typedRule(
  'no such file',
  {
    id: 'no-such-file',
    severity: 'error',
    about: 'paths at which there is no page or file',
    source: URL_STANDARD,
  },
  (typed) => `“${typed}” not found.`,
  // One file with this name elsewhere in the site: it was moved, or its folder was mistyped.
  ({ site }, _page, typed) => {
    const [id, other] = filesByName(site).get(fileNameOf(typed)) ?? []
    return id !== undefined && other === undefined ? filePointer(id) : undefined
  },
)
