import { type DefaultTreeAdapterTypes, parse } from 'parse5'
import { addressesOf } from '../address/addresses.ts'
import { encodePath } from '../address/relative.ts'
import { compareSources, readSource, type ReadSource } from '../compare/compare.ts'
import { outputFiles } from '../formats/archive.ts'
import { referencesIn } from '../pointer/attributes.ts'
import { decoded } from '../pointer/pointer.ts'
import { styleReferences } from '../pointer/styleReferences.ts'
import type { EntryId } from '../plan/entry.ts'
import { walk as walkPlan } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { sectionMenuNames } from '../plan/surround/surround.ts'
import { createRenderer } from '../render/renderer.ts'
import { type Element, elementsOf, textOf } from '../standard/fragment.ts'
import { asBrowsersRead, resolveReference, withoutFragment, withoutQuery } from '../standard/reference.ts'

/** Something on a page of the finished site that is not as it must be. */
export interface WalkFault {
  readonly page: EntryId
  /** Of the page's source, from 1. */
  readonly line: number
  /** What the link says, or the lines that differ. */
  readonly text: string
  readonly why: 'leads nowhere' | 'no such part' | 'differs' | 'marks'
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

type Document = DefaultTreeAdapterTypes.Document

const attribute = (element: Element, name: string) => element.attrs.find((one) => one.name === name)?.value

function linksOf(element: Element): string[] {
  const named = element.attrs.flatMap((one) => referencesIn(one).map(({ url }) => url))
  const refresh = /^\s*\d+\s*;\s*url=(.*)$/i.exec(attribute(element, 'content') ?? '')?.[1]
  const styles = element.tagName === 'style' ? styleReferences(textOf(element)) : []
  return [
    ...named,
    ...styles.map(({ url }) => url),
    ...(element.tagName === 'meta' && refresh !== undefined ? [refresh] : []),
  ]
}

/** The ids of a page, and the names that old links go to. */
function partsOf(page: Document): Set<string> {
  const parts = new Set(['', 'top'])
  for (const { element } of elementsOf(page)) {
    const id = attribute(element, 'id') ?? (element.tagName === 'a' ? attribute(element, 'name') : undefined)
    if (id !== undefined) parts.add(id)
  }
  return parts
}

/**
 * Follows every link of every page of the finished site, and holds what stands around the content against the home page.
 * It gives a report after each page, and may be left at any of them; the last one is whole.
 * @param year of the build
 */
export function* walkSite(site: Site, year: number): Generator<WalkReport> {
  const top = site.settings.baseUrl || 'https://site.invalid/'
  const renderer = createRenderer(site, year)
  const { paths } = addressesOf(site)
  const pages = [...walkPlan(site.plan)].flatMap(({ entry }) => (isWritten(site, entry) ? [entry] : []))
  const urlOf = (path: string) => top + encodePath(path)
  const files = new Set([...outputFiles(site, year)].map(({ path }) => urlOf(path)))
  const idOfUrl = new Map(pages.map(({ id }) => [urlOf(paths.get(id)!), id]))
  const index = `index${site.settings.extension}`
  const sectionMenus = sectionMenuNames(site.surround)
  const parts = new Map<EntryId, Set<string>>()
  const parsed = (id: EntryId) => {
    const html = renderer.page(id)
    const page = parse(html, { sourceCodeLocationInfo: true })
    parts.set(id, partsOf(page))
    return { html, page }
  }
  const partsOn = (id: EntryId) => {
    if (!parts.has(id)) parsed(id)
    return parts.get(id)!
  }
  const faults: WalkFault[] = []
  const leaving = new Map<string, number>()
  let links = 0
  let home: ReadSource | undefined

  const follow = (id: EntryId, url: string, link: string, line: number) => {
    links++
    const target = resolveReference(url, asBrowsersRead(link))
    const whole = withoutFragment(target)
    const fragment = target.slice(whole.length + 1)
    const plain = withoutQuery(whole)
    const file = plain.endsWith('/') ? plain + index : plain
    if (!file.startsWith(top)) return void leaving.set(target, (leaving.get(target) ?? 0) + 1)
    if (!files.has(file)) return void faults.push({ page: id, line, text: link, why: 'leads nowhere' })
    const page = idOfUrl.get(file)
    if (fragment !== '' && page !== undefined && !partsOn(page).has(decoded(fragment)))
      faults.push({ page: id, line, text: link, why: 'no such part' })
  }

  for (const [n, { id, title }] of pages.entries()) {
    const url = urlOf(paths.get(id)!)
    const { html, page } = parsed(id)
    for (const { element } of elementsOf(page)) {
      const line = element.sourceCodeLocation?.startLine ?? 1
      for (const link of linksOf(element)) follow(id, url, link, line)
      if (element.tagName === 'nav') {
        const marks = [...elementsOf(element)].filter(
          (one) => attribute(one.element, 'aria-current') !== undefined,
        ).length
        if (marks > 1)
          faults.push({ page: id, line, text: attribute(element, 'aria-label') ?? 'menu', why: 'marks' })
      }
    }
    const source = readSource({ html, url, title }, site.surround.here, sectionMenus)
    home ??= source
    for (const { cause, at, lines } of compareSources(home, source)) {
      if (cause === 'drift')
        faults.push({
          page: id,
          line: at[1],
          text: [...lines[0], ...lines[1]].join('\n').slice(0, 200),
          why: 'differs',
        })
    }
    yield { pages: n + 1, total: pages.length, links, faults, leaving }
  }
}
