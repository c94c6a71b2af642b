import { addressesOf } from '../address/addresses.ts'
import { type EntryId, labelOf, type PageEntry } from '../plan/entry.ts'
import { entryOf, walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { hrefsInContent } from '../render/main.ts'
import { createRenderer, type PageParts, type Renderer } from '../render/renderer.ts'

/** The parts of a page that one change can make different. */
export const RIPPLE_PARTS = [
  'title',
  'description',
  'head',
  'header',
  'menu',
  'here mark',
  'banner',
  'breadcrumb',
  'heading',
  'main content',
  'text links',
  'pager',
  'footer',
] as const
export type RipplePart = (typeof RIPPLE_PARTS)[number]

/** What a change does to one page. */
export interface PageRipple {
  readonly page: EntryId
  /** Its label after the change; before it, for a page that goes. */
  readonly label: string
  /** Its path before; undefined when it was not on the site. */
  readonly before: string | undefined
  /** Its path after; undefined when it is not on the site any more. */
  readonly after: string | undefined
  readonly parts: readonly RipplePart[]
  /** How many links in its main content lead to another address now. */
  readonly textLinks: number
}

/** What one change does to every page of a site: only pages whose file changes are listed, in plan order. */
export interface Ripple {
  readonly pages: readonly PageRipple[]
  /** How many pages the site has after the change. */
  readonly total: number
}

/** A site with what writes it. */
interface Written {
  readonly site: Site
  readonly renderer: Renderer
  readonly paths: ReadonlyMap<EntryId, string>
}

function written(site: Site): Written {
  return { site, renderer: createRenderer(site), paths: addressesOf(site).paths }
}

/** A page that is on the site; undefined for any other id. */
function pageOf({ site }: Written, id: EntryId): PageEntry | undefined {
  const entry = site.plan.entries.get(id)
  return isWritten(site, entry) ? entry : undefined
}

function menuParts(a: Written, b: Written, id: EntryId): RipplePart[] {
  const was = a.renderer.markedMenu(id)
  const is = b.renderer.markedMenu(id)
  const parts: RipplePart[] = []
  if (was.unmarked !== is.unmarked) parts.push('menu')
  const isMarkedSame =
    was.mark.here === is.mark.here &&
    was.mark.nearest === is.mark.nearest &&
    was.mark.within.size === is.mark.within.size &&
    [...was.mark.within].every((item) => is.mark.within.has(item))
  // What is left is the form of the mark: a link or text.
  if (!isMarkedSame || parts.length === 0) parts.push('here mark')
  return parts
}

/** How many links of the main content lead elsewhere; undefined when more than its links changed. */
function movedLinks(a: Written, b: Written, before: PageEntry, after: PageEntry): number | undefined {
  const was = hrefsInContent(before)
  const is = hrefsInContent(after)
  if (was.texts !== is.texts) return undefined
  const [from, to] = [a.renderer, b.renderer].map((renderer, at) =>
    (at === 0 ? was : is).hrefs(renderer.linksOn(before.id)),
  )
  return from!.filter((href, at) => href !== to![at]).length
}

const SIMPLE: readonly (readonly [RipplePart, readonly (keyof PageParts)[]])[] = [
  ['title', ['title']],
  ['description', ['description']],
  ['head', ['canonical', 'files']],
  ['header', ['brand']],
  ['banner', ['banner']],
  ['breadcrumb', ['breadcrumb']],
  ['heading', ['heading']],
  ['pager', ['order', 'pager']],
  ['footer', ['footer']],
]

/** What differs between two writings of one page; undefined when nothing does. */
function compare(a: Written, b: Written, before: PageEntry, after: PageEntry): PageRipple | undefined {
  const id = before.id
  const was = a.renderer.parts(id)
  const is = b.renderer.parts(id)
  const parts = new Set<RipplePart>()
  for (const [part, keys] of SIMPLE) if (keys.some((key) => was[key] !== is[key])) parts.add(part)
  if (a.site.settings.language !== b.site.settings.language) parts.add('head')
  if (was.menu !== is.menu) for (const part of menuParts(a, b, id)) parts.add(part)
  let textLinks = 0
  if (was.content !== is.content) {
    const moved = movedLinks(a, b, before, after)
    textLinks = moved ?? 0
    parts.add(moved === undefined ? 'main content' : 'text links')
  }
  const [from, to] = [a.paths.get(id)!, b.paths.get(id)!]
  if (parts.size === 0 && from === to) return undefined
  return {
    page: id,
    label: labelOf(after),
    before: from,
    after: to,
    parts: RIPPLE_PARTS.filter((part) => parts.has(part)),
    textLinks,
  }
}

/** Works out what a change did to every page, given the site before and after it. */
export function rippleOf(before: Site, after: Site): Ripple {
  if (before === after) return { pages: [], total: 0 }
  const a = written(before)
  const b = written(after)
  const pages: PageRipple[] = []
  let total = 0
  for (const { entry } of walk(after.plan)) {
    const is = pageOf(b, entry.id)
    const was = pageOf(a, entry.id)
    if (is) total++
    if (is && was) {
      const page = compare(a, b, was, is)
      if (page) pages.push(page)
    } else if (is || was) pages.push(comingOrGoing(a, b, entry.id))
  }
  for (const { entry } of walk(before.plan)) {
    if (!after.plan.entries.has(entry.id) && pageOf(a, entry.id)) pages.push(comingOrGoing(a, b, entry.id))
  }
  return { pages, total }
}

function comingOrGoing(a: Written, b: Written, page: EntryId): PageRipple {
  const is = pageOf(b, page)
  return {
    page,
    label: labelOf(is ?? entryOf(a.site.plan, page)),
    before: pageOf(a, page) && a.paths.get(page),
    after: is && b.paths.get(page),
    parts: [],
    textLinks: 0,
  }
}

const HTML_OF_PART: Readonly<Record<RipplePart, readonly (keyof PageParts)[]>> = {
  ...(Object.fromEntries(SIMPLE) as Record<RipplePart, readonly (keyof PageParts)[]>),
  menu: ['menu'],
  'here mark': ['menu'],
  'main content': ['content'],
  'text links': ['content'],
}

/** A part of a page as HTML, before and after a change; empty where the page is not on the site. */
export function partBeforeAndAfter(
  before: Site,
  after: Site,
  page: EntryId,
  part: RipplePart,
): { readonly before: string; readonly after: string } {
  const html = (site: Site) => {
    if (!isWritten(site, site.plan.entries.get(page))) return ''
    const parts = createRenderer(site).parts(page)
    return HTML_OF_PART[part].map((key) => parts[key]).join('')
  }
  return { before: html(before), after: html(after) }
}
