import { addressesOf } from '../address/addresses.ts'
import { type EntryId, labelOf, type PageEntry } from '../plan/entry.ts'
import { entryOf, walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { type Place, PLACES } from '../plan/surround/place.ts'
import { isSameMark, PART_OF_PLACE, partOfPiece, RIPPLE_PARTS, type RipplePart } from './parts.ts'
import { type Reach, reachOf } from './reach.ts'
import type { HereRule } from '../plan/surround/rules.ts'
import { type Words, wordsOf } from '../plan/surround/siteWords.ts'
import { generatedPaths, isGeneratedAlike } from '../address/generated.ts'
import { hrefsInContent } from '../render/main.ts'
import { styleSheet } from '../render/style/styleSheet.ts'
import { createRenderer, type MarkedMenu, type PageParts, type Renderer } from '../render/renderer.ts'
import { referencesOf } from '../template/content.ts'
import { textsByPart } from './templated.ts'

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
  /** Whether the style sheet that all pages share changes. */
  readonly styles: boolean
  /** How many files of the site come, go, move or get other bytes. */
  readonly files: number
  /** The parts in files of their own that get another text: all pages that put them in show it. By path. */
  readonly included: readonly string[]
}

/** A site with what writes it. */
interface Written {
  readonly site: Site
  readonly year: number
  readonly renderer: Renderer
  readonly paths: ReadonlyMap<EntryId, string>
  readonly words: Words
}

/** Those of the last change: the next one begins where it ended, and one that is foreseen where it began. */
let recent: readonly Written[] = []

function written(site: Site, year: number): Written {
  const known = recent.find((one) => one.site === site && one.year === year)
  if (known) return known
  return {
    site,
    year,
    renderer: createRenderer(site, year),
    paths: addressesOf(site).paths,
    words: wordsOf(site.settings.language, site.surround.words),
  }
}

/** A page that is on the site; undefined for any other id. */
function pageOf({ site }: Written, id: EntryId): PageEntry | undefined {
  const entry = site.plan.entries.get(id)
  return isWritten(site, entry) ? entry : undefined
}

/** What of a menu differs that stands in the same piece before and after. */
function menuParts(was: MarkedMenu, is: MarkedMenu): RipplePart[] {
  const parts: RipplePart[] = []
  if (was.unmarked !== is.unmarked) parts.push('menu')
  // What is left is the form of the mark: a link or text, and its class.
  if (!isSameMark(was.mark, is.mark) || parts.length === 0) parts.push('here mark')
  return parts
}

/** Whether a menu is the same before and after, told without writing it where its marks say so. */
function isSameMenu(was: MarkedMenu, is: MarkedMenu, form: HereRule['form']): boolean | undefined {
  if (was.unmarked === is.unmarked) return isSameMark(was.mark, is.mark) ? true : undefined
  // An item that is text on its own page may differ in its link alone, which is not written there.
  return form === 'link' ? false : undefined
}

/**
 * The parts that differ between the pieces of two writings of a page.
 * @param form of here marks, where it is known to be the same before and after
 */
function pieceParts(
  a: Written,
  b: Written,
  id: EntryId,
  was: PageParts,
  is: PageParts,
  form?: HereRule['form'],
): Set<RipplePart> {
  const parts = new Set<RipplePart>()
  const left = new Map(was.pieces.map((piece) => [piece.piece.id, piece]))
  for (const now of is.pieces) {
    const then = left.get(now.piece.id)
    left.delete(now.piece.id)
    const [before, after] =
      now.piece.kind === 'menu' ? [a, b].map(({ renderer }) => renderer.markedMenu(id, now.piece.id)) : []
    const isSame = form && before && after ? isSameMenu(before, after, form) : undefined
    if (then?.place === now.place && (isSame ?? then.html === now.html)) continue
    if (then && before && after && then.place === now.place)
      for (const part of menuParts(before, after)) parts.add(part)
    else for (const one of then ? [then, now] : [now]) if (one.html !== '') parts.add(partOfPiece(one))
  }
  for (const gone of left.values()) if (gone.html !== '') parts.add(partOfPiece(gone))
  return parts
}

/** How many links of the main content lead elsewhere; undefined when more than its links may have changed. */
function movedLinks(a: Written, b: Written, before: PageEntry, after: PageEntry): number | undefined {
  const was = hrefsInContent(before, a.words)
  const is = hrefsInContent(after, b.words)
  if (was.texts !== is.texts || is.isComputed) return undefined
  const [from, to] = [a.renderer, b.renderer].map((renderer, at) =>
    (at === 0 ? was : is).hrefs(renderer.linksOn(before.id)),
  )
  // A picture that comes or goes is more than a link that leads elsewhere.
  const turns = (at: number) => (from![at] === undefined) !== (to![at] === undefined)
  if (was.pointers.some(({ attribute }, at) => attribute === 'src' && turns(at))) return undefined
  return from!.filter((href, at) => href !== to![at]).length
}

const SIMPLE: readonly (readonly [
  RipplePart,
  readonly (
    | 'title'
    | 'description'
    | 'canonical'
    | 'sharing'
    | 'files'
    | 'data'
    | 'body'
    | 'heading'
    | 'order'
  )[],
])[] = [
  ['title', ['title']],
  ['description', ['description']],
  ['head', ['canonical', 'sharing', 'files', 'body']],
  ['breadcrumb', ['data']],
  ['heading', ['heading']],
  ['pager', ['order']],
]

/** The places in which pieces that stand there before and after stand in another order, or in other rows. */
function reordered(was: PageParts, is: PageParts): Place[] {
  return PLACES.filter((place) => {
    const ids = ({ pieces }: PageParts) =>
      new Set(pieces.flatMap((one) => (one.place === place && one.html !== '' ? [one.piece.id] : [])))
    const [before, after] = [ids(was), ids(is)]
    const order = ({ pieces }: PageParts) =>
      pieces.flatMap(({ piece: { id, beside } }) =>
        before.has(id) && after.has(id) ? [`${id} ${beside}`] : [],
      )
    return order(was).join() !== order(is).join()
  })
}

/** A page that is on the site before and after, with what of it differs. @param from, to where it stands */
function differing(
  page: PageEntry,
  from: string | undefined,
  to: string | undefined,
  parts: ReadonlySet<RipplePart>,
  textLinks: number,
): PageRipple {
  return {
    page: page.id,
    label: labelOf(page),
    before: from,
    after: to,
    parts: RIPPLE_PARTS.filter((part) => parts.has(part)),
    textLinks,
  }
}

/** What differs between two writings of one page; undefined when nothing does. */
function compare(a: Written, b: Written, before: PageEntry, after: PageEntry): PageRipple | undefined {
  const id = before.id
  const was = a.renderer.parts(id)
  const is = b.renderer.parts(id)
  const [from, to] = [a.paths.get(id)!, b.paths.get(id)!]
  const isSame = a.renderer.write(was) === b.renderer.write(is)
  if (isSame && from === to) return undefined
  const parts = isSame ? new Set<RipplePart>() : pieceParts(a, b, id, was, is)
  for (const [part, keys] of SIMPLE) if (keys.some((key) => was[key] !== is[key])) parts.add(part)
  let textLinks = 0
  if (was.content !== is.content) {
    const moved = movedLinks(a, b, before, after)
    textLinks = moved ?? 0
    // Where no link moved, a picture says something else.
    parts.add(moved ? 'text links' : 'main content')
  }
  if (!isSame) for (const place of reordered(was, is)) parts.add(PART_OF_PLACE[place])
  // What is left is outside of all pieces: the language, the skip link.
  if (!isSame && parts.size === 0) parts.add('head')
  return differing(after, from, to, parts, textLinks)
}

/** What differs between two writings of one page where the change is one of the plan; undefined when nothing does. */
function compareOwn(a: Written, b: Written, before: PageEntry, after: PageEntry): PageRipple | undefined {
  const id = before.id
  const was = a.renderer.parts(id)
  const is = b.renderer.parts(id)
  const [from, to] = [a.paths.get(id)!, b.paths.get(id)!]
  const parts = pieceParts(a, b, id, was, is, b.site.surround.here.form)
  for (const [part, keys] of SIMPLE) if (keys.some((key) => was[key] !== is[key])) parts.add(part)
  const moved = movedLinks(a, b, before, after)
  if (moved === undefined ? was.content !== is.content : moved > 0)
    parts.add(moved ? 'text links' : 'main content')
  if (parts.size === 0 && from === to) return undefined
  return differing(after, from, to, parts, moved ?? 0)
}

/** The texts of a page by its parts, however it is made. */
function textsOf({ renderer }: Written, id: EntryId): ReadonlyMap<RipplePart, string> {
  if (renderer.templated) return textsByPart(renderer.templated.pieces(id))
  const page = renderer.parts(id)
  return new Map(RIPPLE_PARTS.map((part) => [part, htmlOfPart(page, part)]))
}

/** The same part in two writings of a page: how many of its links lead elsewhere, where nothing else of it differs. */
function movedReferences(was: string, is: string): number {
  const [from, to] = [[...referencesOf(was)], [...referencesOf(is)]]
  return from.filter(({ raw }, at) => raw !== to[at]?.raw).length
}

/** What differs between two writings of a page, one of them at least made of templates; undefined when nothing does. */
function compareTemplated(
  a: Written,
  b: Written,
  before: PageEntry,
  after: PageEntry,
): PageRipple | undefined {
  const { id } = before
  const [from, to] = [a.paths.get(id)!, b.paths.get(id)!]
  if (a.renderer.page(id) === b.renderer.page(id))
    return from === to ? undefined : differing(after, from, to, new Set(), 0)
  const [was, is] = [textsOf(a, id), textsOf(b, id)]
  const parts = new Set<RipplePart>(
    RIPPLE_PARTS.filter(
      (part) =>
        part !== 'here mark' && part !== 'text links' && (was.get(part) ?? '') !== (is.get(part) ?? ''),
    ),
  )
  const [menusBefore, menusAfter] = [a, b].map(({ renderer }) => renderer.templated?.unmarkedMenus(id))
  if (parts.has('menu') && menusBefore !== undefined && menusBefore === menusAfter) {
    parts.delete('menu')
    parts.add('here mark')
  }
  let textLinks = 0
  const isSameMaking = a.renderer.templated !== undefined && b.renderer.templated !== undefined
  if (parts.has('main content') && isSameMaking && before.body.html === after.body.html) {
    textLinks = movedReferences(was.get('main content') ?? '', is.get('main content') ?? '')
    if (textLinks > 0) {
      parts.delete('main content')
      parts.add('text links')
    }
  }
  // What is left is the order of the parts.
  if (parts.size === 0) parts.add('head')
  return differing(after, from, to, parts, textLinks)
}

/** What a change does to a page without writing it; undefined when it does not differ. */
function reached(
  reach: Reach,
  a: Written,
  b: Written,
  was: PageEntry,
  is: PageEntry,
): PageRipple | undefined {
  const own = reach.ownDifference(is.id)
  if (own === 'any') return compareOwn(a, b, was, is)
  const shared = reach.sharedParts(is.id)
  // Nearly all pages, where what changed is in no menu.
  if (own === 'none' && shared.size === 0) return undefined
  const parts = new Set(shared)
  let textLinks = 0
  if (own === 'text links') {
    const from = (at: Written) => (id: EntryId) => pageOf(at, id) && at.paths.get(id)
    const [before, after] = [from(a), from(b)]
    const moved = hrefsInContent(is, b.words).pointers.filter(
      ({ to, id }) => to === 'entry' && before(id) !== after(id),
    )
    const isMore = moved.some(
      ({ attribute, id }) => attribute === 'src' && (before(id) === undefined) !== (after(id) === undefined),
    )
    if (moved.length > 0) parts.add(isMore ? 'main content' : 'text links')
    textLinks = isMore ? 0 : moved.length
  }
  if (parts.size === 0) return undefined
  const path = b.paths.get(is.id)
  return differing(is, path, path, parts, textLinks)
}

/**
 * Works out what a change did to every page, given the site before and after it.
 * @param year of the build
 */
export function rippleOf(before: Site, after: Site, year: number): Ripple {
  return rippleBetween(before, after, year, reachOf(before, after))
}

/** The same, found by writing every page before and after: what the quick way is held against. */
export function rippleWritten(before: Site, after: Site, year: number): Ripple {
  return rippleBetween(before, after, year, undefined)
}

/** @param reach how far the change reaches; undefined where every page is to be written */
function rippleBetween(before: Site, after: Site, year: number, reach: Reach | undefined): Ripple {
  if (before === after) return { pages: [], total: 0, styles: false, files: 0, included: [] }
  const a = written(before, year)
  const b = written(after, year)
  recent = [a, b]
  const isTemplated = Boolean(before.surround.templates ?? after.surround.templates)
  const pages: PageRipple[] = []
  let total = 0
  for (const { entry } of walk(after.plan)) {
    const is = pageOf(b, entry.id)
    const was = pageOf(a, entry.id)
    if (is) total++
    if (is && was) {
      const page = isTemplated
        ? compareTemplated(a, b, was, is)
        : reach
          ? reached(reach, a, b, was, is)
          : compare(a, b, was, is)
      if (page) pages.push(page)
    } else if (is || was) pages.push(comingOrGoing(a, b, entry.id))
  }
  const isGone = (id: EntryId) => !after.plan.entries.has(id)
  // Mostly nothing is: then there is no order to find.
  if ([...before.plan.entries.keys()].some(isGone))
    for (const { entry } of walk(before.plan))
      if (isGone(entry.id) && pageOf(a, entry.id)) pages.push(comingOrGoing(a, b, entry.id))
  const styles =
    (before.surround !== after.surround || !isGeneratedAlike(before, after)) &&
    stylesOf(before) !== stylesOf(after)
  return { pages, total, styles, files: changedFiles(before, after), included: changedIncluded(a, b) }
}

/** The style sheet made from the look; empty where the author's own stand alone. */
export function stylesOf(site: Site): string {
  return site.surround.headFiles.ourStyles ? styleSheet(site.surround, generatedPaths(site).fonts) : ''
}

function changedFiles({ files: before }: Site, { files: after }: Site): number {
  if (before === after) return 0
  const differs = (id: EntryId) => {
    const [was, is] = [before.get(id), after.get(id)]
    return was?.path !== is?.path || was?.content !== is?.content
  }
  return [...new Set([...before.keys(), ...after.keys()])].filter(differs).length
}

function changedIncluded(a: Written, b: Written): string[] {
  const was = new Map(a.renderer.templated?.includedFiles().map(({ file, text }) => [file, text]))
  const is = b.renderer.templated?.includedFiles() ?? []
  return is.flatMap(({ file, path, text }) => (was.has(file) && was.get(file) !== text ? [path] : []))
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

/** The HTML of a part of a page. */
export function htmlOfPart(page: PageParts, part: RipplePart): string {
  if (part === 'main content' || part === 'text links') return page.content
  const simple = SIMPLE.find(([name]) => name === part)?.[1] ?? []
  const wanted = part === 'here mark' ? 'menu' : part
  const pieces = page.pieces.filter((piece) => partOfPiece(piece) === wanted)
  return [...simple.map((key) => page[key]), ...pieces.map(({ html }) => html)].join('')
}

/** A part of a page as HTML, however the page is made. */
export function partOnPage(renderer: Renderer, page: EntryId, part: RipplePart): string {
  if (!renderer.templated) return htmlOfPart(renderer.parts(page), part)
  const whole = part === 'here mark' ? 'menu' : part === 'text links' ? 'main content' : part
  return textsByPart(renderer.templated.pieces(page)).get(whole) ?? ''
}

/** A part of a page as HTML, before and after a change; empty where the page is not on the site. */
export function partBeforeAndAfter(
  before: Site,
  after: Site,
  page: EntryId,
  part: RipplePart,
  year: number,
): { readonly before: string; readonly after: string } {
  const html = (site: Site) =>
    isWritten(site, site.plan.entries.get(page)) ? partOnPage(createRenderer(site, year), page, part) : ''
  return { before: html(before), after: html(after) }
}
