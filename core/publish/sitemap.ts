import { x } from 'xastscript'
import { toXml } from 'xast-util-to-xml'
import { addressesOf } from '../address/addresses.ts'
import { absoluteUrl } from '../address/href.ts'
import type { PageEntry } from '../plan/entry.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { isForSearch } from '../render/head.ts'
import { lastOf, valueFor } from '../standard/present.ts'

/** https://www.sitemaps.org/protocol.html: the most that one file may list, and how long it may be. */
const MOST_URLS = 50_000
const MOST_BYTES = 50 * 1024 * 1024
const NAMESPACE = 'http://www.sitemaps.org/schemas/sitemap/0.9'

export interface SitemapFile {
  readonly path: string
  readonly text: string
}

const START = '<?xml version="1.0" encoding="UTF-8"?>\n'

/** The pages of the finished site that search engines may list, in plan order. */
export function pagesForSearch(site: Site): PageEntry[] {
  return [...walk(site.plan)].flatMap(({ entry }) =>
    isWritten(site, entry) && isForSearch(site, entry) ? [entry] : [],
  )
}

/** Lines in as many lists as the limits ask for. */
function inLists(lines: readonly string[], mostUrls: number, mostBytes: number): string[][] {
  const lists: string[][] = [[]]
  let bytes = 0
  for (const line of lines) {
    // Every address is percent-encoded: its characters are its bytes.
    if (lastOf(lists).length === mostUrls || bytes + line.length > mostBytes) {
      lists.push([])
      bytes = 0
    }
    lastOf(lists).push(line)
    bytes += line.length
  }
  return lists
}

/**
 * `sitemap.xml` (sitemaps.org 0.9): the pages that search engines may list, with the day their main content last changed.
 * A site beyond the limits of one file gets several, and an index of them at that name. None without a base URL: it holds
 * whole addresses.
 */
export function sitemapFiles(
  site: Site,
  { mostUrls = MOST_URLS, mostBytes = MOST_BYTES }: { mostUrls?: number; mostBytes?: number } = {},
): SitemapFile[] {
  const { settings } = site
  if (settings.baseUrl === '') return []
  const { paths } = addressesOf(site)
  const lines = pagesForSearch(site).map(({ id, body }) => {
    const changed = body.changed === '' ? [] : [x('lastmod', body.changed)]
    return `  ${toXml(x('url', [x('loc', absoluteUrl(settings, valueFor(paths, id))), ...changed]))}\n`
  })
  // A list of nothing is not valid: the protocol asks for at least one address.
  if (lines.length === 0) return []
  const begin = `${START}<urlset xmlns="${NAMESPACE}">\n`
  const end = '</urlset>\n'
  const lists = inLists(lines, mostUrls, mostBytes - begin.length - end.length)
  const texts = lists.map((list) => begin + list.join('') + end)
  if (texts.length === 1) return [{ path: 'sitemap.xml', text: texts[0]! }]
  const parts = texts.map((text, at) => ({ path: `sitemap-${at + 1}.xml`, text }))
  const entries = parts.map(({ path }) => `  ${toXml(x('sitemap', [x('loc', settings.baseUrl + path)]))}\n`)
  const index = `${START}<sitemapindex xmlns="${NAMESPACE}">\n${entries.join('')}</sitemapindex>\n`
  return [{ path: 'sitemap.xml', text: index }, ...parts]
}
