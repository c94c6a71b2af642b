import type { Change } from '../plan/change/change.ts'
import type { PageEntry } from '../plan/entry.ts'
import type { Site } from '../plan/site.ts'
import { escapeAttribute } from '../standard/escape.ts'
import {
  attributeOf,
  elementsIn,
  type PlacedElement,
  rewriting,
  withAttribute,
  withoutAttribute,
} from './bodyElements.ts'
import type { Asked, Found } from './rule.ts'

/** The element that a finding is about, with the page it stands on. */
function elementOf(site: Site, { place }: Found): { page: PageEntry; placed: PlacedElement } | undefined {
  if (place.in !== 'content') return undefined
  const page = site.plan.entries.get(place.entry)
  if (page?.kind !== 'page') return undefined
  const placed = elementsIn(page.body).find(({ start }) => start === place.start)
  return placed && { page, placed }
}

/** The change that takes the tags of an element away and leaves what stands in it. */
export function unwrapping(page: PageEntry, { element, start, end }: PlacedElement): Change {
  const { html } = page.body
  const endTag = element.sourceCodeLocation?.endTag
  const inside = endTag ? html.slice(end, endTag.startOffset) : ''
  return rewriting(page, start, endTag?.endOffset ?? end, inside)
}

/** The change that gives an element an attribute, or another value of it. */
function setting(page: PageEntry, placed: PlacedElement, name: string, value: string): Change {
  if (attributeOf(placed, name) !== undefined) return withAttribute(page, placed, name, value)
  const after = placed.start + 1 + placed.element.tagName.length
  return rewriting(page, after, after, ` ${name}="${escapeAttribute(value)}"`)
}

/** What a finding asks its author for stands in an attribute of the element that it is about. */
const ATTRIBUTES: Readonly<Record<Exclude<Asked, 'title'>, string>> = {
  target: 'href',
  alternative: 'alt',
  language: 'lang',
}

/** What stands now where a finding asks for something else. */
export function askedNow(site: Site, found: Found): string {
  if (found.asks === 'title') {
    const entry = found.place.in === 'entry' ? site.plan.entries.get(found.place.entry) : undefined
    return entry?.kind === 'page' ? entry.title : ''
  }
  const at = elementOf(site, found)
  return at && found.asks ? (attributeOf(at.placed, ATTRIBUTES[found.asks]) ?? '') : ''
}

/**
 * The change that puts a finding right with what its author answers.
 * @param answer where a link shall lead, empty to take it off its text; what a picture says, empty where it only decorates; a
 *   language, empty to take it away; a title
 * @returns undefined where the finding asks for nothing, or what it is about is gone
 */
export function answering(site: Site, found: Found, answer: string): Change | undefined {
  const text = answer.trim()
  if (found.asks === undefined) return undefined
  if (found.asks === 'title')
    return found.place.in === 'entry' && text !== ''
      ? { kind: 'setEntry', entry: found.place.entry, field: 'title', value: text }
      : undefined
  const at = elementOf(site, found)
  if (!at) return undefined
  const { page, placed } = at
  if (found.asks === 'target' && text === '') return unwrapping(page, placed)
  if (found.asks === 'language' && text === '') return withoutAttribute(page, placed, 'lang')
  return setting(page, placed, ATTRIBUTES[found.asks], text)
}
