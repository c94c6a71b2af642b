import { absoluteUrl } from '../address/relative.ts'
import type { Neighbours } from '../navigate/readingOrder.ts'
import { documentTitle } from '../navigate/title.ts'
import type { PageEntry } from '../plan/entry.ts'
import type { Site } from '../plan/site.ts'
import { escapeAttribute, escapeText } from './escape.ts'
import type { Links } from './links.ts'
import { MENU_SCRIPT_PATH } from './menuScript.ts'
import { STYLE_SHEET_PATH } from './styleSheet.ts'

/** The lines inside `head`. */
export function renderHead(
  site: Site,
  page: PageEntry,
  path: string,
  order: Neighbours,
  links: Links,
): string {
  const { baseUrl } = site.settings
  const previous = order.previous && links.toPage(order.previous)
  const next = order.next && links.toPage(order.next)
  let head =
    '    <meta charset="utf-8">\n' +
    '    <meta name="viewport" content="width=device-width, initial-scale=1">\n' +
    `    <title>${escapeText(documentTitle(site, page))}</title>\n`
  if (page.description)
    head += `    <meta name="description" content="${escapeAttribute(page.description)}">\n`
  if (baseUrl) head += `    <link rel="canonical" href="${escapeAttribute(absoluteUrl(baseUrl, path))}">\n`
  if (previous) head += `    <link rel="prev" href="${previous}">\n`
  if (next) head += `    <link rel="next" href="${next}">\n`
  return (
    head +
    `    <link rel="stylesheet" href="${links.toPath(STYLE_SHEET_PATH)}">\n` +
    `    <script src="${links.toPath(MENU_SCRIPT_PATH)}"></script>\n`
  )
}
