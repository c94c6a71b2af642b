import { addressesOf, pageAtPath } from '../address/addresses.ts'
import { absoluteUrl } from '../address/href.ts'
import { encodePath } from '../address/relative.ts'
import type { EntryId } from '../plan/entry.ts'
import type { Site } from '../plan/site.ts'
import { nameKey } from '../standard/fileName.ts'
import { elementsOf, parseMainContent } from '../standard/fragment.ts'
import { resolveReference } from '../standard/reference.ts'
import { escapeAttribute } from '../render/escape.ts'

/** Where a site stands that has no published address yet; no real host has this name (RFC 2606). */
const NOWHERE = 'https://site.invalid/'

/** A page or file of the site that a typed address leads to. */
export interface OwnTarget {
  /** What to write for it, so that it follows. */
  readonly pointer: string
  /** Whether its path is written as it is; many hosts find nothing where only the case differs. */
  readonly isSameCase: boolean
}

/** Where an address that an author typed on a page leads within the site; undefined when it leads out, or nowhere. */
export function ownTargetOf(site: Site, page: EntryId, typed: string): OwnTarget | undefined {
  const text = typed.trim()
  if (text === '' || text.startsWith('#') || /^(entry|site-file):/.test(text)) return undefined
  const top = site.settings.baseUrl || NOWHERE
  const { paths } = addressesOf(site)
  const path = paths.get(page)
  if (path === undefined) return undefined
  const here = site.settings.baseUrl === '' ? top + encodePath(path) : absoluteUrl(site.settings, path)
  const url = resolveReference(here, text)
  const [, whole = '', fragment = ''] = /^([^?#]*)(?:#(.*))?$/s.exec(url) ?? []
  if (!whole.startsWith(top)) return undefined
  const plain = decoded(whole.slice(top.length))
  if (plain === undefined) return undefined
  const found = pageAtPath(site, plain)
  if (found !== undefined) {
    const file = plain === '' || plain.endsWith('/') ? `${plain}index${site.settings.extension}` : plain
    return {
      pointer: `entry:${found}${fragment === '' ? '' : `#${fragment}`}`,
      isSameCase: paths.get(found) === file,
    }
  }
  const file = [...site.files.values()].find((one) => nameKey(one.path) === nameKey(plain))
  return file && { pointer: `site-file:${file.id}`, isSameCase: file.path === plain }
}

/** The pointer to write for an address that an author typed on a page; undefined when it leads out of the site. */
export function pointerFor(site: Site, page: EntryId, typed: string): string | undefined {
  return ownTargetOf(site, page, typed)?.pointer
}

function decoded(path: string): string | undefined {
  try {
    return decodeURIComponent(path)
  } catch {
    return undefined
  }
}

/** A place in a source to be written anew. */
export interface Rewriting {
  readonly start: number
  readonly end: number
  readonly text: string
}

const POINTING = ['href', 'src', 'poster', 'data', 'cite']

/** The attributes of main content whose typed paths belong to the site, each with the pointer to write in its place. */
export function ownLinksIn(site: Site, page: EntryId, html: string): Rewriting[] {
  const rewritings: Rewriting[] = []
  for (const { element } of elementsOf(parseMainContent(html, true))) {
    for (const { name, value } of element.attrs) {
      const at = POINTING.includes(name) ? element.sourceCodeLocation?.attrs?.[name] : undefined
      const pointer = at && pointerFor(site, page, value)
      if (at && pointer !== undefined)
        rewritings.push({
          start: at.startOffset,
          end: at.endOffset,
          text: `${name}="${escapeAttribute(pointer)}"`,
        })
    }
  }
  return rewritings.sort((a, b) => a.start - b.start)
}

/** A source with some places written anew; these must not overlap. */
export function rewritten(source: string, rewritings: readonly Rewriting[]): string {
  let text = ''
  let from = 0
  for (const { start, end, text: next } of rewritings) {
    text += source.slice(from, start) + next
    from = end
  }
  return text + source.slice(from)
}
