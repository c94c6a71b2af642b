import type { Change } from '../plan/change/change.ts'
import { guarded } from '../plan/change/guard.ts'
import type { PageEntry } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { newPage } from '../plan/newEntry.ts'
import { childrenOf } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import { callsOf, compileHtml, type ComputedElement } from '../render/authorHtml.ts'
import { itemAt, valueFor } from '../standard/present.ts'
import { tableOf } from '../standard/table.ts'

/** What a map of the site is called, by language. */
const MAP_TITLES = tableOf<string>({
  en: 'Site map',
  de: 'Seitenübersicht',
  fr: 'Plan du site',
  es: 'Mapa del sitio',
  it: 'Mappa del sito',
  nl: 'Sitemap',
  pt: 'Mapa do site',
  pl: 'Mapa strony',
})

const PAGES = '<put-pages descriptions></put-pages>'
const SITE_MAP = '<put-site-map></put-site-map>'

/** Whether the text of a page calls a computed part. Most texts do not name it, and need no parser. */
const calls = (page: PageEntry, element: ComputedElement) =>
  page.body.html.toLowerCase().includes(element) &&
  callsOf(compileHtml(page.body.html, 0)).some((call) => call.element === element)

/**
 * The change that makes a page the overview of its section: a list of the pages under it, at the end of its text.
 * @param today as `2026-05-31`
 * @returns undefined where it is one already, or nothing is under it
 */
export function overviewOf(site: Site, id: EntryId, today: string): Change | undefined {
  const { plan } = site
  const page = plan.entries.get(id)
  if (page?.kind !== 'page' || childrenOf(plan, id).length === 0 || calls(page, 'put-pages')) return undefined
  const { html } = page.body
  const text = html.trim() === '' ? PAGES : `${html.trimEnd()}\n${PAGES}\n`
  const value = { html: text, changed: today }
  return guarded(site, { kind: 'setEntry', entry: id, field: 'body', value })
}

/**
 * The change that adds a page with a map of the whole site, the last one under the home page.
 * @returns undefined where there is one already
 */
export function siteMapPage({ plan, settings }: Site, id: EntryId, today: string): Change | undefined {
  for (const entry of plan.entries.values())
    if (entry.kind === 'page' && calls(entry, 'put-site-map')) return undefined
  const title =
    MAP_TITLES.get(itemAt(settings.language.split('-'), 0).toLowerCase()) ?? valueFor(MAP_TITLES, 'en')
  const page = newPage(id, title, { state: 'ready' })
  const branch = { ...page, body: { html: SITE_MAP, changed: today }, entries: [] }
  return { kind: 'add', parent: plan.home, place: childrenOf(plan, plan.home).length, branches: [branch] }
}
