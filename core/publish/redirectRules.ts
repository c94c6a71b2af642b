import { addressesOf } from '../address/addresses.ts'
import { fromTop, hrefsFrom, rootPath } from '../address/href.ts'
import { notFoundPage } from '../address/notFound.ts'
import { redirectsOf } from '../address/redirects.ts'
import { encodePath, fragmentHref } from '../address/relative.ts'
import type { Site } from '../plan/site.ts'
import { valueFor } from '../standard/present.ts'

/** An address that leads on, from the top of the site and plain, and where to, as it stands in an HTTP header. */
interface Rule {
  readonly from: string
  readonly to: string
}

/** The redirects of a site, and the path of its 404 page, plain. */
function rulesOf(site: Site): { readonly rules: readonly Rule[]; readonly notFound: string | undefined } {
  const { paths } = addressesOf(site)
  // The folder of an index page is an address, too.
  const index = `index${site.settings.extension}`
  const hrefTo = hrefsFrom(fromTop(site.settings), '')
  const rules = redirectsOf(site).flatMap(({ from, to, rests }): Rule[] => {
    if (rests !== undefined) return []
    const href = to.to === 'address' ? to.url : hrefTo(valueFor(paths, to.entry)) + fragmentHref(to.fragment)
    const folder = from === index || from.endsWith(`/${index}`) ? from.slice(0, -index.length) : ''
    return folder === ''
      ? [{ from, to: href }]
      : [
          { from: folder, to: href },
          { from, to: href },
        ]
  })
  const page = notFoundPage(site)
  return { rules, notFound: page === undefined ? undefined : valueFor(paths, page) }
}

/** A text between double quotes, as both servers read them. */
const quoted = (text: string) => `"${text.replaceAll('"', '\\"')}"`

/** A plain text as a regular expression that matches it alone. */
const literally = (text: string) => text.replaceAll(/[\\^$.*+?()[\]{}|]/g, '\\$&')

/** What an address in a header may hold, its own escapes included (RFC 3986 section 2). */
const inHeader = (url: string) => encodeURI(url).replaceAll('%25', '%')

/**
 * `.htaccess` for Apache httpd: https://httpd.apache.org/docs/2.4/mod/mod_rewrite.html (in a folder, paths start without
 * `/`; `NE` leaves what is escaped as it is) and https://httpd.apache.org/docs/2.4/mod/core.html#errordocument
 */
function apacheRules(site: Site): string {
  const { rules, notFound } = rulesOf(site)
  const top = rootPath(site.settings.baseUrl)
  // `$1` and `%1` would stand for what a pattern found.
  const target = (url: string) => inHeader(url).replaceAll(/[$%]/g, '\\$&')
  const lines = [
    ...(notFound === undefined ? [] : [`ErrorDocument 404 ${top}${encodePath(notFound)}`]),
    ...(rules.length === 0 ? [] : ['RewriteEngine On']),
    ...rules.map(
      ({ from, to }) => `RewriteRule ${quoted(`^${literally(from)}$`)} ${quoted(target(to))} [R=301,L,NE]`,
    ),
  ]
  return lines.map((line) => `${line}\n`).join('')
}

/**
 * Rules to include in a `server` block of nginx: https://nginx.org/en/docs/http/ngx_http_core_module.html#location (matched
 * after the address was decoded), https://nginx.org/en/docs/http/ngx_http_core_module.html#error_page (a plain path) and https://nginx.org/en/docs/http/ngx_http_rewrite_module.html#return
 */
function nginxRules(site: Site, name: string): string {
  const { rules, notFound } = rulesOf(site)
  const top = rootPath(site.settings.baseUrl)
  const plainTop = decodeURIComponent(top)
  // `$` begins a variable and cannot be escaped otherwise.
  const target = (url: string) => inHeader(url).replaceAll('$', '%24')
  const lines = [
    ...(notFound === undefined || notFound.includes('$')
      ? []
      : [`error_page 404 ${quoted(plainTop + notFound)};`]),
    ...rules.map(
      ({ from, to }) => `location = ${quoted(plainTop + from)} { return 301 ${quoted(target(to))}; }`,
    ),
    // They are for the server, not for its visitors.
    `location = ${quoted(plainTop + name)} { return 404; }`,
  ]
  return lines.map((line) => `${line}\n`).join('')
}

/** The rules of a site for a web server, by the path of the file that holds them. */
export function rulesFile(
  site: Site,
  server: 'apache' | 'nginx',
): { readonly path: string; readonly text: string } {
  switch (server) {
    case 'apache':
      return { path: '.htaccess', text: apacheRules(site) }
    case 'nginx': {
      const path = 'redirects.conf'
      return { path, text: nginxRules(site, path) }
    }
  }
}
