import type { RedirectTarget } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, type OwnRedirect, type Site } from '../plan/site.ts'
import { nameKey } from '../standard/fileName.ts'
import { PathTree } from '../standard/pathTree.ts'
import { withoutQuery } from '../standard/reference.ts'
import { addressesOf, pageAtPath } from './addresses.ts'
import { generatedPaths } from './generated.ts'

/** An address that answers by leading elsewhere. */
export interface Redirect extends OwnRedirect {
  /** Whether the author made it, or it follows from a pinned page that stands elsewhere now. */
  readonly origin: 'own' | 'pin'
  /**
   * Why it is not written: a page, a file, a folder or another redirect stands there now, which a redirect never hides;
   * or it leads to what is not on the site, or back to itself.
   */
  readonly rests:
    | 'page-there'
    | 'file-there'
    | 'folder-there'
    | 'redirect-there'
    | 'leads-nowhere'
    | 'leads-back'
    | undefined
}

/** Pages by the key of their path. */
function pagesByKey(site: Site): Map<string, EntryId> {
  const pages = new Map<string, EntryId>()
  for (const [id, path] of addressesOf(site).paths) {
    if (isWritten(site, site.plan.entries.get(id))) pages.set(nameKey(path), id)
  }
  return pages
}

type There = 'page-there' | 'file-there' | 'redirect-there'

/** The paths that are written. */
function writtenPaths(site: Site): PathTree<There> {
  const written = new PathTree<There>()
  for (const [id, path] of addressesOf(site).paths)
    if (isWritten(site, site.plan.entries.get(id))) written.put(path, 'page-there')
  for (const { path } of site.files.values()) written.put(path, 'file-there')
  const { style, script, fonts } = generatedPaths(site)
  for (const path of [style, script, `${fonts}x`]) written.put(path, 'file-there')
  return written
}

/** What is in the way of a redirect: another file, a folder of that name, or a file where its folder would be. */
function inTheWay(written: PathTree<There>, path: string): Redirect['rests'] {
  switch (written.inTheWay(path)) {
    case 'folder':
      return 'folder-there'
    case 'file':
      // A path that is a file and a folder at once cannot be.
      return written.hasFolder(path) ? 'folder-there' : written.at(path)
    case 'above':
      return 'file-there'
    case undefined:
      return undefined
  }
}

/**
 * All redirects of a site by the address they start at: the author's own, and those of pinned pages. The author's own come
 * first; of two pages that were given out at one address, the first in the plan has it.
 */
export function redirectsOf(site: Site): Redirect[] {
  const { plan, settings } = site
  const { paths } = addressesOf(site)
  const written = writtenPaths(site)
  const byFrom = new Map<string, Redirect>()
  const put = (from: string, to: RedirectTarget, origin: Redirect['origin']) => {
    if (byFrom.has(nameKey(from))) return
    const leads = to.to === 'address' || isWritten(site, plan.entries.get(to.entry))
    const path = to.to === 'address' ? pathInSite(site, to.url) : undefined
    const isToItself = path !== undefined && nameKey(path) === nameKey(from)
    const rests = inTheWay(written, from) ?? (isToItself ? 'leads-back' : leads ? undefined : 'leads-nowhere')
    if (rests === undefined) written.put(from, 'redirect-there')
    byFrom.set(nameKey(from), { from, to, origin, rests })
  }
  for (const { from, to } of settings.redirects) put(from, to, 'own')
  for (const { entry } of walk(plan)) {
    if (entry.kind !== 'page' || !entry.pin) continue
    for (const from of entry.pin.addresses) {
      if (from !== paths.get(entry.id)) put(from, { to: 'entry', entry: entry.id, fragment: '' }, 'pin')
    }
  }
  return [...byFrom.values()].sort((a, b) => (a.from < b.from ? -1 : 1))
}

/** The path of the site that an address names; undefined for one that leads out of it. */
function pathInSite({ settings }: Site, url: string): string | undefined {
  const top = settings.baseUrl
  if (top === '' || !url.startsWith(top)) return undefined
  const path = withoutQuery(url.slice(top.length))
  try {
    return decodeURIComponent(path)
  } catch {
    return undefined
  }
}

/** What is in the way of a new redirect, in words. */
const IN_THE_WAY: Readonly<Record<NonNullable<Redirect['rests']>, string>> = {
  'page-there': 'a page stands there.',
  'file-there': 'a file stands there, or where its folder would be.',
  'folder-there': 'a folder stands there.',
  'redirect-there': 'another redirect stands there.',
  'leads-nowhere': 'it leads to what is not on the site.',
  'leads-back': 'it leads to itself.',
}

/** Prepares what tells whether a new redirect can start at an address. */
export function redirectStarts(site: Site): (from: string) => boolean {
  const pages = pagesByKey(site)
  const written = writtenPaths(site)
  return (from) => pages.get(nameKey(from)) === undefined && inTheWay(written, from) === undefined
}

/** What is wrong with a list of redirects, or the list with its chains shortened. */
export type SettledRedirects = { readonly fault: string } | { readonly redirects: OwnRedirect[] }

/**
 * Checks the author's redirects and lets each lead straight to where its chain ends: an address of the site itself
 * becomes its page, and that of another redirect becomes where that one leads.
 */
export function settleRedirects(site: Site, redirects: readonly OwnRedirect[]): SettledRedirects {
  const pages = pagesByKey(site)
  const written = writtenPaths(site)
  const isNew = (key: string) => !site.settings.redirects.some(({ from }) => nameKey(from) === key)
  const byFrom = new Map<string, OwnRedirect>()
  for (const redirect of redirects) {
    const key = nameKey(redirect.from)
    const page = pages.get(key)
    if (page !== undefined && isNew(key))
      return { fault: `There is a page at ${redirect.from}: a redirect would hide it.` }
    const way = isNew(key) ? inTheWay(written, redirect.from) : undefined
    if (way) return { fault: `${redirect.from} cannot lead on: ${IN_THE_WAY[way]}` }
    if (byFrom.has(key)) return { fault: `Two redirects start at ${redirect.from}.` }
    byFrom.set(key, redirect)
  }
  const settled: OwnRedirect[] = []
  for (const { from, to } of byFrom.values()) {
    const seen = new Set([nameKey(from)])
    let end = to
    while (end.to === 'address') {
      const path = pathInSite(site, end.url)
      if (path === undefined) break
      const page = pageAtPath(site, path)
      if (page !== undefined && isWritten(site, site.plan.entries.get(page))) {
        end = { to: 'entry', entry: page, fragment: '' }
        break
      }
      const key = nameKey(path)
      const next = byFrom.get(key)
      if (!next) break
      if (seen.has(key)) return { fault: `The redirect at ${from} would lead back to itself.` }
      seen.add(key)
      end = next.to
    }
    settled.push({ from, to: end })
  }
  return { redirects: settled }
}
