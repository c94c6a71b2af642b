import { firstHeading } from '../navigate/title.ts'
import type { PageEntry } from '../plan/entry.ts'
import { compileBody, renderBody } from './body.ts'
import { escapeAttribute, escapeText } from './escape.ts'
import type { Links } from './links.ts'

/** The banner picture of a page, if it has one. */
export function renderBanner({ banner }: PageEntry, links: Links): string {
  const source = banner && links.toFile(banner.file)
  return source ? `      <img class="banner" src="${source}" alt="${escapeAttribute(banner.alt)}">\n` : ''
}

/** The main content, with the first heading above it unless the body brings one. */
export function renderMain(page: PageEntry, links: Links): string {
  const body = compileBody(page.body)
  const heading = body.hasFirstHeading ? '' : `      <h1>${escapeText(firstHeading(page))}</h1>\n`
  const content = renderBody(body, links)
  return `    <main id="main">\n${heading}${content === '' ? '' : `      ${content}\n`}    </main>\n`
}
