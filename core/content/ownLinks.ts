import { addressesOf, fileAtPath, pageAtPath } from '../address/addresses.ts'
import { absoluteUrl, topOf } from '../address/href.ts'
import { encodePath } from '../address/relative.ts'
import type { EntryId } from '../plan/ids.ts'
import type { Site } from '../plan/site.ts'
import { changedReferences, type Rewriting } from '../pointer/inHtml.ts'
import { decoded, readPointer, writePointer } from '../pointer/pointer.ts'
import {
  asBrowsersRead,
  fragmentOf,
  resolveReference,
  withoutFragment,
  withoutQuery,
} from '../standard/reference.ts'

/** A page or file of the site that a typed address leads to. */
export interface OwnTarget {
  /** What to write for it, so that it follows. */
  readonly pointer: string
  /** Whether its path is written as it is; many hosts find nothing where only the case differs. */
  readonly isSameCase: boolean
}

/** Where an address that an author typed on a page leads within the site; undefined when it leads out, or nowhere. */
export function ownTargetOf(site: Site, page: EntryId, typed: string): OwnTarget | undefined {
  const text = asBrowsersRead(typed)
  if (text === '' || text.startsWith('#') || readPointer(text)) return undefined
  const top = topOf(site)
  const { paths } = addressesOf(site)
  const path = paths.get(page)
  if (path === undefined) return undefined
  const here = site.settings.baseUrl === '' ? top + encodePath(path) : absoluteUrl(site.settings, path)
  const url = resolveReference(here, text)
  const whole = withoutQuery(url)
  const query = withoutFragment(url).slice(whole.length + 1)
  const fragment = fragmentOf(url) ?? ''
  if (!whole.startsWith(top)) return undefined
  const plain = decoded(whole.slice(top.length))
  const isFolder = plain === '' || plain.endsWith('/')
  const named = pageAtPath(site, plain)
  // Servers send on from a folder without its slash.
  const found = named ?? (isFolder ? undefined : pageAtPath(site, `${plain}/`))
  if (found !== undefined) {
    const folder = isFolder ? plain : `${plain}/`
    const file = isFolder || named === undefined ? `${folder}index${site.settings.extension}` : plain
    return {
      pointer: writePointer({ to: 'entry', id: found, query, fragment: decoded(fragment) }),
      isSameCase: paths.get(found) === file,
    }
  }
  const file = fileAtPath(site, plain)
  return (
    file && {
      pointer: writePointer({ to: 'site-file', id: file.id, query, fragment: decoded(fragment) }),
      isSameCase: file.path === plain,
    }
  )
}

/** The pointer to write for an address that an author typed on a page; undefined when it leads out of the site. */
export function pointerFor(site: Site, page: EntryId, typed: string): string | undefined {
  return ownTargetOf(site, page, typed)?.pointer
}

/** The places of main content where typed paths of the site stand, each with the pointer to write instead. */
export const ownLinksIn = (site: Site, page: EntryId, html: string): Rewriting[] =>
  changedReferences(html, (url) => pointerFor(site, page, url))
