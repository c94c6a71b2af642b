import { addressesOf } from '../address/addresses.ts'
import type { EntryId } from '../plan/entry.ts'
import type { Site } from '../plan/site.ts'
import { readPointer } from '../pointer/pointer.ts'
import { type PageToken, tokensOf, valueOf } from '../standard/pageTokens.ts'
import type { Spelling, Templates } from '../plan/surround/templates.ts'
import { type Published, spelt } from './spelling.ts'
import { valueAt } from '../standard/record.ts'

/** Attributes that hold one reference. https://html.spec.whatwg.org/multipage/indices.html#attributes-3 */
export const REFERENCES = new Set([
  'href',
  'src',
  'action',
  'background',
  'data',
  'poster',
  'cite',
  'longdesc',
])

/** The references in a source of HTML, each by where its value stands and what it says. */
export function* referencesOf(
  html: string,
  tokens: readonly PageToken[] = tokensOf(html),
): Generator<{ start: number; end: number; raw: string; value: string }> {
  for (const token of tokens) {
    if (token.kind !== 'open') continue
    for (const attribute of token.attributes) {
      if (!REFERENCES.has(attribute.name) || attribute.start < 0) continue
      const { start, end } = valueOf(html, attribute)
      yield { start, end, raw: html.slice(start, end), value: attribute.value }
    }
  }
}

/** What stands after the path of a reference, as it is written. */
export function tailOf(raw: string): string {
  const at = raw.search(/[?#]/)
  return at < 0 ? '' : raw.slice(at)
}

/** The content of a page as it stands in it: pointers become references in the author's way of writing. */
export function writeContent(
  site: Site,
  templates: Templates,
  page: EntryId,
  html: string,
  published: Published,
): string {
  if (!/entry:|site-file:/i.test(html)) return html
  const { paths } = addressesOf(site)
  const from = paths.get(page)!
  const spellings = valueAt(templates.pages, page)?.spelt ?? {}
  let written = ''
  let at = 0
  for (const { start, end, raw, value } of referencesOf(html)) {
    const pointer = readPointer(value)
    if (!pointer) continue
    const path = pointer.to === 'entry' ? paths.get(pointer.id) : site.files.get(pointer.id)?.path
    if (path === undefined) continue
    const spelling: Spelling = spellings[raw] ?? templates.spelling
    written += html.slice(at, start) + spelt(from, path, spelling, published) + tailOf(raw)
    at = end
  }
  return written + html.slice(at)
}
