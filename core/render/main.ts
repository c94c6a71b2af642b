import { firstHeading } from '../navigate/title.ts'
import { type Body, isBegun, type PageEntry } from '../plan/entry.ts'
import { type CompiledBody, compileBody, hrefOfSlot, renderBody } from './body.ts'
import { escapeAttribute, escapeText } from './escape.ts'
import type { Links } from './links.ts'
import { WORDS } from './words.ts'

/** The banner picture of a page, if it has one. */
export function renderBanner({ banner }: PageEntry, links: Links): string {
  const source = banner && links.toFile(banner.file)
  return source ? `      <img class="banner" src="${source}" alt="${escapeAttribute(banner.alt)}">\n` : ''
}

/** The first heading of a page as Viatica writes it; nothing where the body brings one. */
export function renderHeading(page: PageEntry): string {
  return bodyOf(page).hasFirstHeading ? '' : `      <h1>${escapeText(firstHeading(page))}</h1>\n`
}

/** What stands on the page that holds the place of a planned one. */
const STAND_IN: Body = { html: `<p>${WORDS.standIn}</p>`, changed: '' }

function bodyOf(page: PageEntry): CompiledBody {
  return compileBody(isBegun(page) ? page.body : STAND_IN)
}

/** The main content without its first heading. */
export function renderContent(page: PageEntry, links: Links): string {
  const content = renderBody(bodyOf(page), links)
  return content === '' ? '' : `      ${content}\n`
}

/** The links of the main content apart from its text, which is one object as long as nothing else changes. */
export function hrefsInContent(page: PageEntry): {
  readonly texts: readonly string[]
  hrefs(links: Links): readonly (string | undefined)[]
} {
  const { texts, slots } = bodyOf(page)
  return { texts, hrefs: (links) => slots.map((slot) => hrefOfSlot(slot, links)) }
}

/** The landmark around both. */
export function renderMain(heading: string, content: string): string {
  return `    <main id="main">\n${heading}${content}    </main>\n`
}
