import { addressesOf } from '../../address/addresses.ts'
import { topOf } from '../../address/href.ts'
import { redirectsOf } from '../../address/redirects.ts'
import { encodePath } from '../../address/relative.ts'
import { ownTargetOf } from '../../content/ownLinks.ts'
import { sourceReferences } from '../../pointer/inSource.ts'
import { decoded, readPointer } from '../../pointer/pointer.ts'
import { nameKey } from '../../standard/fileName.ts'
import { hasCode } from '../../standard/pageTokens.ts'
import { valueFor } from '../../standard/present.ts'
import { asBrowsersRead, resolveReference, withoutQuery } from '../../standard/reference.ts'
import type { EntryId } from '../../plan/ids.ts'
import type { Site } from '../../plan/site.ts'
import type { Found, SiteRule } from '../rule.ts'
import { pagesToLookFrom, textsAround } from '../textsAround.ts'
import { URL_STANDARD } from './typedTarget.ts'

/** What is on the host though it is no page and no file of the author's. */
function madeFor(site: Site): ReadonlySet<string> {
  const redirects = redirectsOf(site).flatMap(({ from, rests }) => (rests === undefined ? [from] : []))
  return new Set([...redirects, 'sitemap.xml', 'robots.txt'].map(nameKey))
}

/** The path of the site that a typed reference leads to; undefined for what leads out of it, or is the page itself. */
function pathWithin(site: Site, from: EntryId, typed: string): string | undefined {
  const text = asBrowsersRead(typed)
  if (text === '' || text.startsWith('#') || hasCode(text) || readPointer(text)) return undefined
  const top = topOf(site)
  const here = top + encodePath(valueFor(addressesOf(site).paths, from))
  const whole = withoutQuery(resolveReference(here, text))
  return `${whole}/`.startsWith(top) ? decoded(whole.slice(top.length)) : undefined
}

/** Paths in an author's own HTML around the content that stayed as they were typed, and lead to nothing. */
export const noSuchFileAround: SiteRule = {
  id: 'no-such-file-around',
  group: 'links',
  severity: 'error',
  about: 'paths around the main content at which there is no page or file',
  source: URL_STANDARD,
  from: ({ site, addresses }) => [
    ...[site.surround, site.plan, addresses.paths, site.files],
    ...[site.settings.baseUrl, site.settings.redirects],
  ],
  findAll({ site }) {
    let made: ReadonlySet<string> | undefined
    const isDead = (from: EntryId, url: string) => {
      const path = pathWithin(site, from, url)
      if (path === undefined || ownTargetOf(site, from, url)) return false
      made ??= madeFor(site)
      return !made.has(nameKey(path))
    }
    return [...textsAround(site)].flatMap(({ html, place, isShown, ...text }): Found[] => {
      const urls = new Set(Array.from(sourceReferences(html), ({ url }) => url))
      const pages = pagesToLookFrom(text, urls.size)
      return [...urls].flatMap((url): Found[] => {
        const on = pages.find((page) => isDead(page, url))
        if (on === undefined || isShown?.() === false) return []
        const isEverywhere = on === pages[0] && pages.every((page) => isDead(page, url))
        const where = isEverywhere ? '' : ` on ${valueFor(addressesOf(site).paths, on)}`
        return [{ place, words: `“${url}” not found${where}.`, gist: url }]
      })
    })
  },
}
