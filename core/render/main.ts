import { firstHeading } from '../navigate/title.ts'
import { type Body, isBegun, type PageEntry } from '../plan/entry.ts'
import type { Words } from '../plan/surround/siteWords.ts'
import { type CompiledBody, compileBody } from './body.ts'
import { escapeText } from '../standard/escape.ts'
import type { Links } from './links.ts'
import { type Call, writeHtml } from './authorHtml.ts'
import type { Slot } from './slots.ts'

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

/** The main content without its first heading. @param partOf the HTML of a computed part that it calls */
export function renderContent(
  page: PageEntry,
  words: Words,
  links: Links,
  partOf: (call: Call) => string,
): string {
  const content = writeHtml(bodyOf(page, words), links, partOf)
  return content === '' ? '' : `      ${content}\n`
}

/** The links and pictures of the main content apart from its text. */
export interface ContentHrefs {
  /** One object as long as nothing else changes. */
  readonly texts: readonly string[]
  readonly pointers: readonly Slot[]
  /** Whether it calls computed parts, which may say something else though its text is the same. */
  readonly isComputed: boolean
  hrefs(links: Links): readonly (string | undefined)[]
}

/** The links and pictures of a page's main content, to be compared with those of another writing of it. */
export function hrefsInContent(page: PageEntry, words: Words): ContentHrefs {
  const { texts, pointers, calls } = bodyOf(page, words)
  return {
    texts,
    pointers,
    isComputed: calls.length > 0,
    hrefs: (links) => pointers.map((one) => links.toPointer(one)),
  }
}
