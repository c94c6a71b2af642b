import { addressesOf } from '../address/addresses.ts'
import { topOf } from '../address/href.ts'
import { encodePath, folderOf } from '../address/relative.ts'
import type { FolderLines } from '../compare/compare.ts'
import { linesOf, parsePage } from '../compare/parsedPage.ts'
import { outputFiles } from '../formats/archive.ts'
import { namedBy } from '../pointer/attributes.ts'
import { decoded } from '../pointer/pointer.ts'
import type { EntryId } from '../plan/ids.ts'
import { walk as walkPlan } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { createPageWriter } from '../render/pageWriter.ts'
import { valueFor } from '../standard/present.ts'
import { driftFinder } from './drift.ts'
import { type Element, elementsOf } from '../standard/fragment.ts'
import { asBrowsersRead, resolveReference, withoutFragment, withoutQuery } from '../standard/reference.ts'

/** Something on a page of the finished site that is not as it must be. */
export interface WalkFault {
  readonly page: EntryId
  /** Of the page's source, from 1: where the start tag ends. */
  readonly line: number
  /** What the link says, or the lines that differ. */
  readonly text: string
  readonly why: 'leads nowhere' | 'no such heading' | 'differs' | 'marks'
}

/** What a walk over the finished site has found so far. */
export interface WalkReport {
  readonly pages: number
  readonly total: number
  /** Links followed: to pages, parts of pages, pictures, style sheets, scripts, files. */
  readonly links: number
  readonly faults: readonly WalkFault[]
  /** Addresses that leave the site, each with how often it stands there; they are not fetched. */
  readonly leaving: ReadonlyMap<string, number>
}

/** Where a link leads: out of the site, to nothing, or to a file, which may be a page, and a part of it. */
type Leading =
  | { readonly leaves: string }
  | { readonly page: EntryId | undefined; readonly part: string }
  | 'nowhere'

const attribute = (element: Element, name: string) => element.attrs.find((one) => one.name === name)?.value

/** The ids of a page, and the names that old links go to. */
function partsOf(elements: readonly Element[]): Set<string> {
  const parts = new Set(['', 'top'])
  for (const element of elements) {
    const id = attribute(element, 'id') ?? (element.tagName === 'a' ? attribute(element, 'name') : undefined)
    if (id !== undefined) parts.add(id)
  }
  return parts
}

const lineOf = (element: Element) => linesOf(element).first

/** The landmarks of navigation that an element stands in. */
function* navigationsAround(element: Element): Generator<Element> {
  for (let up = element.parentNode; up && 'tagName' in up; up = up.parentNode)
    if (up.tagName === 'nav') yield up
}

/** Enough for the folders of all sections that a walk is in at once. */
const MAX_FOLDERS = 64

/**
 * Follows every link of every page of the finished site, and compares what is around the content with the home page, or with
 * the template of the page.
 * It gives a report after each page, and may be left at any of them; the whole one is returned.
 * @param year of the build
 */
export function* walkSite(site: Site, year: number): Generator<WalkReport, WalkReport> {
  const top = topOf(site)
  const writer = createPageWriter(site, year)
  const { paths } = addressesOf(site)
  const pages = [...walkPlan(site.plan)].flatMap(({ entry }) => (isWritten(site, entry) ? [entry] : []))
  const urlOf = (path: string) => top + encodePath(path)
  const files = new Set([...outputFiles(site, year)].map(({ path }) => path))
  const idOfPath = new Map(pages.map(({ id }) => [valueFor(paths, id), id]))
  const index = `index${site.settings.extension}`
  const driftOn = driftFinder(site)
  const parts = new Map<EntryId, ReadonlySet<string>>()
  /** Links to parts of pages that were not read yet: each page is read once. */
  const toCheck = new Map<EntryId, (() => void)[]>()
  const faults: WalkFault[] = []
  const leaving = new Map<string, number>()
  let links = 0

  /** Where a link leads, from any page of a folder. */
  const resolved = (url: string, link: string): Leading => {
    const target = resolveReference(url, asBrowsersRead(link))
    const whole = withoutFragment(target)
    const plain = withoutQuery(whole)
    if (!`${plain}/`.startsWith(top)) return { leaves: target }
    // Authors encode more of a path, or less, than we do.
    const path = decoded(plain.slice(top.length))
    const named = path === '' || path.endsWith('/') ? path + index : path
    // Servers send on from a folder without its slash.
    const file = files.has(named) ? named : `${path}/${index}`
    if (!files.has(file)) return 'nowhere'
    return { page: idOfPath.get(file), part: decoded(target.slice(whole.length + 1)) }
  }
  /** What the pages of a folder share is worked out once; a walk through the plan comes back to the folders it is in. */
  const folders = new Map<string, { readonly leading: Map<string, Leading>; readonly lines: FolderLines }>()
  const folderAt = (url: string) => {
    const path = folderOf(url)
    const there = folders.get(path)
    if (there) return there
    if (folders.size >= MAX_FOLDERS) folders.clear()
    const made = { leading: new Map<string, Leading>(), lines: new Map() as FolderLines }
    folders.set(path, made)
    return made
  }
  const leadingFrom = (url: string, link: string): Leading => {
    // These begin with the page itself.
    if (/^\s*(?:[#?]|$)/.test(link)) return resolved(url, link)
    const { leading: known } = folderAt(url)
    let leading = known.get(link)
    if (leading === undefined) {
      leading = resolved(url, link)
      known.set(link, leading)
    }
    return leading
  }

  const checkPart = (on: EntryId, part: string, fault: WalkFault) => {
    const check = () => {
      if (!valueFor(parts, on).has(part)) faults.push(fault)
    }
    if (parts.has(on)) check()
    else {
      const checks = toCheck.get(on) ?? []
      checks.push(check)
      toCheck.set(on, checks)
    }
  }

  const follow = (id: EntryId, url: string, link: string, line: number) => {
    links++
    const leading = leadingFrom(url, link)
    if (leading === 'nowhere') faults.push({ page: id, line, text: link, why: 'leads nowhere' })
    else if ('leaves' in leading) leaving.set(leading.leaves, (leaving.get(leading.leaves) ?? 0) + 1)
    else if (leading.page !== undefined && leading.part !== '')
      checkPart(leading.page, leading.part, { page: id, line, text: link, why: 'no such heading' })
  }

  for (const [n, { id, title }] of pages.entries()) {
    const url = urlOf(valueFor(paths, id))
    const html = writer.shown(id)
    const page = parsePage(html)
    const elements = [...elementsOf(page)].map(({ element }) => element)
    parts.set(id, partsOf(elements))
    for (const check of toCheck.get(id) ?? []) check()
    toCheck.delete(id)
    const marked = new Map<Element, number>()
    for (const element of elements) {
      if (element.attrs.length === 0 && element.tagName !== 'style') continue
      for (const { url: link } of namedBy(element)) follow(id, url, link, lineOf(element))
      if (attribute(element, 'aria-current') === undefined) continue
      for (const nav of navigationsAround(element)) marked.set(nav, (marked.get(nav) ?? 0) + 1)
    }
    for (const [nav, marks] of marked) {
      const text = attribute(nav, 'aria-label') ?? 'menu'
      if (marks > 1) faults.push({ page: id, line: lineOf(nav), text, why: 'marks' })
    }
    for (const { line, text } of driftOn(id, { html, url, title, parsed: page }, folderAt(url).lines))
      faults.push({ page: id, line, text: text.slice(0, 200), why: 'differs' })
    yield { pages: n + 1, total: pages.length, links, faults, leaving }
  }
  return { pages: pages.length, total: pages.length, links, faults, leaving }
}
