import { addressesOf } from '../address/addresses.ts'
import type { EntryId } from '../plan/ids.ts'
import type { Site } from '../plan/site.ts'
import { sourceReferences, withSourceReferences } from '../pointer/inSource.ts'
import { readPointer } from '../pointer/pointer.ts'
import type { Spelling, Templates } from '../plan/surround/templates.ts'
import { valueFor } from '../standard/present.ts'
import { pathOfReference } from './lastPath.ts'
import { type Published, spelt, tailOf } from './spelling.ts'
import { valueAt } from '../standard/record.ts'

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
  const from = valueFor(paths, page)
  const spellings = valueAt(templates.pages, page)?.spelt ?? {}
  let written = ''
  let at = 0
  for (const { start, end, raw, url, isPart } of sourceReferences(html)) {
    const pointer = readPointer(url)
    if (!pointer) continue
    const path = pathOfReference(site, pointer.to, pointer.id)
    const spelling: Spelling = valueAt(spellings, raw) ?? templates.spelling
    written += html.slice(at, start) + spelt(from, path, { ...spelling, isPart }, published) + tailOf(raw)
    at = end
  }
  // What is left is written with escapes.
  return withoutPointers(site, written + html.slice(at), from, templates.spelling, published)
}

/** A source in which no pointer is left: each leads where it points to. */
export function withoutPointers(
  site: Site,
  source: string,
  from: string,
  spelling: Spelling,
  published: Published,
): string {
  if (!/entry:|site-file:/i.test(source)) return source
  return withSourceReferences(source, (url) => {
    const pointer = readPointer(url)
    return (
      pointer &&
      spelt(from, pathOfReference(site, pointer.to, pointer.id), spelling, published) + tailOf(url.trim())
    )
  })
}
