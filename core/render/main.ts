import { firstHeading } from '../navigate/title.ts'
import { type Body, isBegun, type PageEntry } from '../plan/entry.ts'
import type { Words } from '../plan/surround/siteWords.ts'
import { type CompiledBody, compileBody } from './body.ts'
import { escapeText } from '../standard/escape.ts'
import type { Links } from './links.ts'
import { type Slot, writeMarked } from './slots.ts'

/** The first heading of a page as Viatica writes it; nothing where the body brings one. */
export function renderHeading(page: PageEntry, words: Words, indent: string): string {
  return bodyOf(page, words).hasFirstHeading ? '' : `${indent}<h1>${escapeText(firstHeading(page))}</h1>\n`
}

const standIns = new Map<string, Body>()

/** What stands on the page that holds the place of a planned one. The same object for the same words. */
function standIn({ standIn: words }: Words): Body {
  const known = standIns.get(words)
  if (known) return known
  const body = { html: `<p>${escapeText(words)}</p>`, changed: '' }
  standIns.clear()
  standIns.set(words, body)
  return body
}

function bodyOf(page: PageEntry, words: Words): CompiledBody {
  return compileBody(isBegun(page) ? page.body : standIn(words))
}

/** The main content without its first heading. */
export function renderContent(page: PageEntry, words: Words, links: Links): string {
  const content = writeMarked(bodyOf(page, words), links)
  return content === '' ? '' : `      ${content}\n`
}

/** The links and pictures of the main content apart from its text. */
export interface ContentHrefs {
  /** One object as long as nothing else changes. */
  readonly texts: readonly string[]
  readonly pointers: readonly Slot[]
  hrefs(links: Links): readonly (string | undefined)[]
}

/** The links and pictures of a page's main content, to be compared with those of another writing of it. */
export function hrefsInContent(page: PageEntry, words: Words): ContentHrefs {
  const { texts, pointers } = bodyOf(page, words)
  return { texts, pointers, hrefs: (links) => pointers.map((one) => links.toPointer(one)) }
}
