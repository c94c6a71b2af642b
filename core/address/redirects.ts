import type { EntryId, RedirectTarget } from '../plan/entry.ts'
import { isWritten, type OwnRedirect, type Site } from '../plan/site.ts'
import { nameKey } from '../standard/fileName.ts'
import { withoutQuery } from '../standard/reference.ts'
import { addressesOf, pageAtPath } from './addresses.ts'

/** An address that answers by leading elsewhere. */
export interface Redirect extends OwnRedirect {
  /** Whether the author made it, or it follows from a pinned page that stands elsewhere now. */
  readonly origin: 'own' | 'pin'
  /**
   * Why it is not written: a page or a file stands there now, which a redirect never hides; or it leads to what is
   * not on the site.
   */
  readonly rests: 'page-there' | 'file-there' | 'leads-nowhere' | undefined
}

/** Pages by the key of their path. */
function pagesByKey(site: Site): Map<string, EntryId> {
  const pages = new Map<string, EntryId>()
  for (const [id, path] of addressesOf(site).paths) {
    if (isWritten(site, site.plan.entries.get(id))) pages.set(nameKey(path), id)
  }
  return pages
}

/** All redirects of a site by the address they start at: the author's own, and those of pinned pages. */
export function redirectsOf(site: Site): Redirect[] {
  const { plan, settings } = site
  const { paths } = addressesOf(site)
  const pages = pagesByKey(site)
  const files = new Set([...site.files.values()].map(({ path }) => nameKey(path)))
  const byFrom = new Map<string, Redirect>()
  const put = (from: string, to: RedirectTarget, origin: Redirect['origin']) => {
    const leads = to.to === 'address' || isWritten(site, plan.entries.get(to.entry))
    const there = pages.has(nameKey(from))
      ? 'page-there'
      : files.has(nameKey(from))
        ? 'file-there'
        : undefined
    const rests = there ?? (leads ? undefined : 'leads-nowhere')
    byFrom.set(nameKey(from), { from, to, origin, rests })
  }
  for (const entry of plan.entries.values()) {
    if (entry.kind !== 'page' || !entry.pin) continue
    for (const from of entry.pin.addresses) {
      if (from !== paths.get(entry.id)) put(from, { to: 'entry', entry: entry.id, fragment: '' }, 'pin')
    }
  }
  for (const { from, to } of settings.redirects) put(from, to, 'own')
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

/** What is wrong with a list of redirects, or the list with its chains shortened. */
export type SettledRedirects = { readonly fault: string } | { readonly redirects: OwnRedirect[] }

/**
 * Checks the author's redirects and lets each lead straight to where its chain ends: an address of the site itself
 * becomes its page, and that of another redirect becomes where that one leads.
 */
export function settleRedirects(site: Site, redirects: readonly OwnRedirect[]): SettledRedirects {
  const pages = pagesByKey(site)
  const byFrom = new Map<string, OwnRedirect>()
  for (const redirect of redirects) {
    const key = nameKey(redirect.from)
    const page = pages.get(key)
    if (page !== undefined && !site.settings.redirects.some(({ from }) => nameKey(from) === key))
      return { fault: `A page stands at ${redirect.from}: a redirect would hide it.` }
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
