import { addressesOf } from '../address/addresses.ts'
import { rootPath } from '../address/href.ts'
import { encodePath } from '../address/relative.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { valueFor } from '../standard/present.ts'

/** Whether a site stands at the top of its host, where alone `robots.txt` is read (RFC 9309 section 2.3). */
export const isAtTop = ({ settings }: Pick<Site, 'settings'>): boolean => rootPath(settings.baseUrl) === '/'

/** A path as a pattern that matches it and nothing that begins with it (RFC 9309 section 2.2.3). */
const patternOf = (path: string) => `${path}$`

/**
 * `robots.txt` (RFC 9309): where the list of pages is. A page that is kept out of search engines says so in its own head,
 * which they must be able to read; of one whose head is its author's, it is said here. Undefined for a site in a folder of
 * its host: nobody would read it.
 */
export function robotsText(site: Site, hasSitemap: boolean): string | undefined {
  if (!isAtTop(site)) return undefined
  const { paths } = addressesOf(site)
  const { settings, surround, plan } = site
  const disallowed: string[] = []
  for (const { entry } of surround.kind === 'templates' ? walk(plan) : []) {
    if (!isWritten(site, entry) || entry.inSearch) continue
    const path = `/${encodePath(valueFor(paths, entry.id))}`
    disallowed.push(`Disallow: ${patternOf(path)}\n`)
    const index = `/index${settings.extension}`
    if (path.endsWith(index)) disallowed.push(`Disallow: ${patternOf(path.slice(0, 1 - index.length))}\n`)
  }
  const sitemap = hasSitemap ? `\nSitemap: ${settings.baseUrl}sitemap.xml\n` : ''
  return `User-agent: *\n${disallowed.join('') || 'Disallow:\n'}${sitemap}`
}
