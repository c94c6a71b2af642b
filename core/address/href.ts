import type { Settings, Site } from '../plan/site.ts'
import { templatesOf } from '../plan/surround/surround.ts'
import { encodePath, relativeHref } from './relative.ts'

/** How the links of a site are written. */
export type LinkRule = Pick<Settings, 'linkStyle' | 'namesIndex' | 'extension' | 'baseUrl'>

/** The rule for a page whose links must lead from any address. */
export function fromTop(rule: LinkRule): LinkRule {
  return rule.linkStyle === 'relative' ? { ...rule, linkStyle: 'root' } : rule
}

/** The path part of the published address, `/` at both ends (RFC 3986 section 3.3); `/` while it is not known. */
export function rootPath(baseUrl: string): string {
  return baseUrl.replace(/^[a-z]+:\/\/[^/]*/i, '') || '/'
}

/**
 * The address of the top of the site, `/` at its end, for reading links of its pages. Where no base URL says it, the host is
 * none that exists (RFC 2606), and the author's own HTML may say where on it the site is.
 */
export const topOf = ({ settings, surround }: Pick<Site, 'settings' | 'surround'>): string =>
  settings.baseUrl || `https://site.invalid${templatesOf(surround)?.root ?? '/'}`

/** Cuts `index.html` off a link where links are to stop at the folder; `./` is the folder of the page itself. */
function withoutIndex(href: string, { extension }: LinkRule): string {
  const index = `index${extension}`
  if (href !== index && !href.endsWith(`/${index}`)) return href
  return href.slice(0, -index.length) || './'
}

/**
 * The links to write on the pages in a folder of the site.
 * @param folder plain, from the top of the site, ending in `/` or empty
 * @returns a function from the plain path of a file of the site to the link, percent-encoded and never empty
 */
export function hrefsFrom(rule: LinkRule, folder: string): (path: string) => string {
  // Without a published address there is nothing that an absolute link could begin with.
  const absolute = rule.baseUrl || undefined
  const start = { relative: undefined, root: rootPath(rule.baseUrl), absolute }[rule.linkStyle]
  const whole =
    start === undefined
      ? (path: string) => relativeHref(folder, path)
      : (path: string) => start + encodePath(path)
  return rule.namesIndex ? whole : (path) => withoutIndex(whole(path), rule)
}

/** The URL of a file of the site under the address that the site is published at. */
export function absoluteUrl(rule: LinkRule, path: string): string {
  return hrefsFrom({ ...rule, linkStyle: 'absolute' }, '')(path)
}
