import { addressesOf } from '../address/addresses.ts'
import { labelOf, type PageEntry } from '../plan/entry.ts'
import type { EntryId, FileId } from '../plan/ids.ts'
import { entryOf, walk } from '../plan/plan.ts'
import { isOfPieces, isWritten, type Site } from '../plan/site.ts'
import { type Place, PLACES } from '../plan/surround/place.ts'
import { isSameMark, PAGE_PARTS, PART_OF_PLACE, type PagePart, wholePartOf } from '../page/parts.ts'
import { type Reach, reachOf } from './reach.ts'
import { type Words, wordsOf } from '../plan/surround/siteWords.ts'
import { generatedPaths, isGeneratedAlike } from '../address/generated.ts'
import { hrefsInContent } from '../render/main.ts'
import { styleSheet } from '../render/style/styleSheet.ts'
import {
  CONTENT,
  type MarkedMenu,
  type PageWriter,
  textsByPart,
  type WrittenPart,
} from '../page/pageWriter.ts'
import { createPageWriter } from '../render/pageWriter.ts'

/** What a change does to one page. */
export interface PageRipple {
  readonly page: EntryId
  /** Its label after the change; before it, for a page that goes. */
  readonly label: string
  /** Its path before; undefined when it was not on the site. */
  readonly before: string | undefined
  /** Its path after; undefined when it is not on the site any more. */
  readonly after: string | undefined
  readonly parts: readonly PagePart[]
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
  readonly writer: PageWriter
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
    writer: createPageWriter(site, year),
    paths: addressesOf(site).paths,
    words: wordsOf(site.settings.language, site.surround.words),
  }
}

/** A page that is on the site; undefined for any other id. */
function pageOf({ site }: Written, id: EntryId): PageEntry | undefined {
  const entry = site.plan.entries.get(id)
  return isWritten(site, entry) ? entry : undefined
}

/** The parts of a menu that differ; its place is the same before and after. */
function menuParts(was: MarkedMenu, is: MarkedMenu): PagePart[] {
  const parts: PagePart[] = []
  if (was.unmarked !== is.unmarked) parts.push('menu')
  const isMarkedSame = !was.mark || !is.mark || isSameMark(was.mark, is.mark)
  // What is left is the form of the mark: a link or text, and its class.
  if (!isMarkedSame || parts.length === 0) parts.push('here mark')
  return parts
}

/** Whether a menu is the same before and after, told without writing it where its marks say so. */
function isSameMenu(was: MarkedMenu, is: MarkedMenu): boolean | undefined {
  if (!was.mark || !is.mark) return undefined
  if (was.unmarked === is.unmarked) return isSameMark(was.mark, is.mark) ? true : undefined
  // An item that is text on its own page may differ in its link alone, which is not written there.
  return is.isLinked ? false : undefined
}

/** The parts that differ between two writings of a page, but for its content. @param isSameSurround before and after */
function differingParts(
  was: readonly WrittenPart[],
  is: readonly WrittenPart[],
  isSameSurround: boolean,
): Set<PagePart> {
  const parts = new Set<PagePart>()
  const left = new Map(was.map((part) => [part.key, part]))
  for (const now of is) {
    const then = left.get(now.key)
    left.delete(now.key)
    if (now.key === CONTENT) continue
    const [before, after] = [then?.menu, now.menu]
    const isThere = then?.placed?.place === now.placed?.place
    const isSame = isSameSurround && before && after ? isSameMenu(before, after) : undefined
    if (then && isThere && (isSame ?? then.text === now.text)) continue
    if (then && before && after && isThere) for (const part of menuParts(before, after)) parts.add(part)
    else for (const one of then ? [then, now] : [now]) if (one.text !== '') parts.add(one.kind)
  }
  for (const gone of left.values()) if (gone.key !== CONTENT && gone.text !== '') parts.add(gone.kind)
  return parts
}

/** How many links of the main content lead elsewhere; undefined when more than its links may have changed. */
function movedLinks(a: Written, b: Written, id: EntryId): number | undefined {
  const [was, is] = [a.writer.contentLinks(id), b.writer.contentLinks(id)]
  if (!was || !is || was.rest !== is.rest || was.links.length !== is.links.length) return undefined
  const pairs = was.links.map((link, at) => [link, is.links[at]!] as const)
  // A picture that comes or goes is more than a link that leads elsewhere.
  if (pairs.some(([from, to]) => from.isPicture && (from.href === undefined) !== (to.href === undefined)))
    return undefined
  return pairs.filter(([from, to]) => from.href !== to.href).length
}

/** The places whose parts have another order, or other rows. Parts that are there only before or only after do not count. */
function reordered(was: readonly WrittenPart[], is: readonly WrittenPart[]): Place[] {
  return PLACES.filter((place) => {
    const here = (parts: readonly WrittenPart[]) => parts.filter(({ placed }) => placed?.place === place)
    const keys = (parts: readonly WrittenPart[]) =>
      new Set(here(parts).flatMap(({ key, text }) => (text === '' ? [] : [key])))
    const [before, after] = [keys(was), keys(is)]
    // Empty parts have no order, and neither have parts that moved to another place.
    const order = (parts: readonly WrittenPart[]) =>
      parts.flatMap(({ key, placed }) =>
        before.has(key) && after.has(key) ? [`${key} ${placed?.beside}`] : [],
      )
    return order(was).join() !== order(is).join()
  })
}

/** A page that is on the site before and after, with what of it differs. @param from, to where it stands */
function differing(
  page: PageEntry,
  from: string | undefined,
  to: string | undefined,
  parts: ReadonlySet<PagePart>,
  textLinks: number,
): PageRipple {
  return {
    page: page.id,
    label: labelOf(page),
    before: from,
    after: to,
    parts: PAGE_PARTS.filter((part) => parts.has(part)),
    textLinks,
  }
}

/** What differs between two writings of one page; undefined when nothing does. */
function compare(a: Written, b: Written, id: EntryId, after: PageEntry): PageRipple | undefined {
  const [from, to] = [a.paths.get(id), b.paths.get(id)]
  if (a.writer.page(id) === b.writer.page(id))
    return from === to ? undefined : differing(after, from, to, new Set(), 0)
  const [was, is] = [a.writer.parts(id), b.writer.parts(id)]
  const parts = differingParts(was, is, false)
  const contentIn = (written: readonly WrittenPart[]) =>
    written.find(({ key }) => key === CONTENT)?.text ?? ''
  let textLinks = 0
  if (contentIn(was) !== contentIn(is)) {
    const moved = movedLinks(a, b, id)
    textLinks = moved ?? 0
    // Where no link moved, a picture says something else.
    parts.add(moved ? 'text links' : 'main content')
  }
  for (const place of reordered(was, is)) parts.add(PART_OF_PLACE[place])
  // What is left is outside of all parts: the language, the skip link; or the order of parts.
  if (parts.size === 0) parts.add('head')
  return differing(after, from, to, parts, textLinks)
}

/** What differs between two writings of one page where the change is one of the plan; undefined when nothing does. */
function compareOwn(a: Written, b: Written, id: EntryId, after: PageEntry): PageRipple | undefined {
  const [was, is] = [a.writer.parts(id), b.writer.parts(id)]
  const [from, to] = [a.paths.get(id), b.paths.get(id)]
  const parts = differingParts(was, is, true)
  const moved = movedLinks(a, b, id)
  const contentIn = (written: readonly WrittenPart[]) => written.find(({ key }) => key === CONTENT)?.text
  if (moved === undefined ? contentIn(was) !== contentIn(is) : moved > 0)
    parts.add(moved ? 'text links' : 'main content')
  if (parts.size === 0 && from === to) return undefined
  return differing(after, from, to, parts, moved ?? 0)
}

/** What a change does to a page without writing it; undefined when it does not differ. */
function reached(reach: Reach, a: Written, b: Written, is: PageEntry): PageRipple | undefined {
  const own = reach.ownDifference(is.id)
  if (own === 'any') return compareOwn(a, b, is.id, is)
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
  const pages: PageRipple[] = []
  let total = 0
  for (const { entry } of walk(after.plan)) {
    const is = pageOf(b, entry.id)
    const was = pageOf(a, entry.id)
    if (is) total++
    if (is && was) {
      const page = reach ? reached(reach, a, b, is) : compare(a, b, is.id, is)
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
  return isOfPieces(site) && site.surround.headFiles.ourStyles
    ? styleSheet(site.surround, generatedPaths(site).fonts)
    : ''
}

function changedFiles({ files: before }: Site, { files: after }: Site): number {
  if (before === after) return 0
  const differs = (id: FileId) => {
    const [was, is] = [before.get(id), after.get(id)]
    return was?.path !== is?.path || was?.content !== is?.content
  }
  return [...new Set([...before.keys(), ...after.keys()])].filter(differs).length
}

function changedIncluded(a: Written, b: Written): string[] {
  const was = new Map(a.writer.includedFiles().map(({ file, text }) => [file, text]))
  const is = b.writer.includedFiles()
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

/** A part of a page as HTML. */
export const partOnPage = (writer: PageWriter, page: EntryId, part: PagePart): string =>
  textsByPart(writer.parts(page)).get(wholePartOf(part)) ?? ''

/** A part of a page as HTML, before and after a change; empty where the page is not on the site. */
export function partBeforeAndAfter(
  before: Site,
  after: Site,
  page: EntryId,
  part: PagePart,
  year: number,
): { readonly before: string; readonly after: string } {
  const html = (site: Site) =>
    isWritten(site, site.plan.entries.get(page)) ? partOnPage(createPageWriter(site, year), page, part) : ''
  return { before: html(before), after: html(after) }
}
