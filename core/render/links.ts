import { addressesOf } from '../address/addresses.ts'
import { hrefsFrom, type LinkRule } from '../address/href.ts'
import { fragmentHref } from '../address/relative.ts'
import type { Entry, LinkTarget } from '../plan/entry.ts'
import type { EntryId, FileId } from '../plan/ids.ts'
import { isWritten, type Site } from '../plan/site.ts'
import type { Pointer } from '../pointer/pointer.ts'
import { escapeAttribute } from '../standard/escape.ts'
import { valueFor } from '../standard/present.ts'

/** The links to write on pages that stand in one folder; each ready to stand in an attribute. */
export interface Links {
  /** Undefined for what is not a page that is written. */
  toPage(id: EntryId, fragment?: string): string | undefined
  /** Undefined for what leads to nothing that is written. */
  toPointer(pointer: Pointer): string | undefined
  /** Where an entry leads: a page to itself, a link to its target; undefined for groups and dead links. */
  toEntry(entry: Entry): string | undefined
  /** Undefined for a page that is not written, and for a file that the site does not have. */
  toTarget(target: LinkTarget): string | undefined
  /** Undefined for a file that the site does not have. */
  toFile(id: FileId): string | undefined
  /** What is kept with a picture for those who do not see it. */
  altOf(id: FileId): string
  /** To a path of the site that is known to be there. */
  toPath(path: string): string
}

/**
 * Makes the links of the pages in a folder of the site.
 * @param folder plain, from the top of the site, ending in `/` or empty
 * @param rule where these are written otherwise than those of other pages
 */
export function linksFrom(site: Site, folder: string, rule: LinkRule = site.settings): Links {
  const { paths } = addressesOf(site)
  const made = new Map<EntryId, string | undefined>()
  const hrefTo = hrefsFrom(rule, folder)
  const toPath = (path: string) => escapeAttribute(hrefTo(path))

  const toPage = (id: EntryId, fragment = '') => {
    let href = made.get(id)
    if (href === undefined && !made.has(id)) {
      href = isWritten(site, site.plan.entries.get(id)) ? toPath(valueFor(paths, id)) : undefined
      made.set(id, href)
    }
    return href === undefined || fragment === '' ? href : href + escapeAttribute(fragmentHref(fragment))
  }

  const toFile = (id: FileId) => {
    const file = site.files.get(id)
    return file && toPath(file.path)
  }

  const toTarget = (target: LinkTarget) => {
    if (target.to === 'address') return escapeAttribute(target.url)
    return target.to === 'entry' ? toPage(target.entry, target.fragment) : toFile(target.file)
  }

  const toPointer = ({ to, id, query, fragment }: Pointer) => {
    const href = to === 'entry' ? toPage(id) : toFile(id)
    const asked = query === '' ? '' : `?${escapeAttribute(query)}`
    return href === undefined ? undefined : href + asked + escapeAttribute(fragmentHref(fragment))
  }

  return {
    toPage,
    toPointer,
    toPath,
    toTarget,
    toEntry(entry) {
      if (entry.kind === 'group') return undefined
      if (entry.kind === 'page') return toPage(entry.id)
      return toTarget(entry.target)
    },
    toFile,
    altOf: (id) => escapeAttribute(site.files.get(id)?.alt ?? ''),
  }
}
