import { addressesOf } from '@viatica/core/address/addresses.ts'
import { absoluteUrl } from '@viatica/core/address/href.ts'
import { folderOf } from '@viatica/core/address/relative.ts'
import { wayTo } from '@viatica/core/navigate/breadcrumb.ts'
import { hereMark, indexOfMenu, itemsOf, type MenuItem } from '@viatica/core/navigate/menu.ts'
import { neighboursIn, readingRuns } from '@viatica/core/navigate/readingOrder.ts'
import { documentTitle, firstHeading } from '@viatica/core/navigate/title.ts'
import { planOfBranch } from '@viatica/core/plan/branch.ts'
import { labelOf, type PageEntry } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { childrenOf, entryOf, walk } from '@viatica/core/plan/plan.ts'
import { type Site, siteWith } from '@viatica/core/plan/site.ts'
import { compileBody } from '@viatica/core/render/body.ts'
import { writeHtml } from '@viatica/core/render/authorHtml.ts'
import { linksFrom } from '@viatica/core/render/links.ts'
import { createPageWriter } from '@viatica/core/render/pageWriter.ts'
import Handlebars from 'handlebars'
import { makeBranch } from './makeBranch.ts'
import { PAGE_TEMPLATE } from './pageTemplate.ts'

/**
 * Renders whole sites in core, beside a precompiled template of a common template library (Handlebars) that
 * makes the same pages. Core works out everything from the plan and parses every body; the template is given
 * all of that ready made, and the making of it is not counted against it.
 */

const SIZES = [100, 1000, 10_000]
const ROUNDS = 5
/** Of the build: any will do here. */
const YEAR = 2026

function makeSite(pages: number): Site {
  const settings = {
    name: 'Benchmark & Sons',
    tagline: 'Fast',
    layout: 'nested' as const,
    baseUrl: 'https://example.org/',
  }
  return siteWith(settings, planOfBranch(makeBranch(pages)))
}

/** What the template is given for each page: all that core works out, as text ready to stand in the page. */
function contextsOf(site: Site): object[] {
  const { plan, settings, surround } = site
  const { paths } = addressesOf(site)
  const neighbours = neighboursIn(readingRuns(site))
  const menu = itemsOf(site, surround.menus[0]!, plan.home)
  const index = indexOfMenu(menu)
  return [...walk(plan)].map(({ entry }) => {
    const page = entry as PageEntry
    const path = paths.get(page.id)!
    const links = linksFrom(site, folderOf(path))
    const mark = hereMark(plan, index, page.id)
    const linked = (id: EntryId | undefined) =>
      id && { href: links.toPage(id), label: labelOf(entryOf(plan, id)) }
    const item = ({ id, items, label }: MenuItem, at: number): object => ({
      href: links.toPage(id),
      label,
      at: at + 1,
      here: id === mark.here,
      nearest: id === mark.nearest,
      within: mark.within.has(id),
      items: items.map(item),
    })
    const { previous, next } = neighbours(page.id)
    return {
      language: settings.language,
      title: documentTitle(site, page),
      sharedTitle: page.id === plan.home ? documentTitle(site, page) : page.title,
      description: page.description,
      canonical: absoluteUrl(settings, path),
      previous: linked(previous),
      next: linked(next),
      style: links.toPath('style.css'),
      script: links.toPath('menu.js'),
      home: links.toPage(plan.home),
      site: settings.name,
      tagline: settings.tagline,
      menu: menu.map(item),
      above: wayTo(plan, page.id).slice(0, -1).map(linked),
      label: page.id === plan.home ? '' : labelOf(page),
      heading: firstHeading(page),
      body: writeHtml(compileBody(page.body), links, () => ''),
      year: YEAR,
    }
  })
}

/** Milliseconds of the fastest of a few rounds; `prepare` is not counted. */
function fastest<T>(prepare: () => T, work: (prepared: T) => void): number {
  let best = Infinity
  for (let round = 0; round < ROUNDS; round++) {
    const prepared = prepare()
    globalThis.gc?.()
    const start = performance.now()
    work(prepared)
    best = Math.min(best, performance.now() - start)
  }
  return best
}

function renderAll(site: Site): void {
  const renderer = createPageWriter(site, YEAR)
  for (const id of site.plan.entries.keys()) renderer.page(id)
}

const template = Handlebars.compile(PAGE_TEMPLATE, { noEscape: false })

/** Says where two writings of a page differ first. */
function firstDifference(page: EntryId, ours: string, theirs: string): string {
  const [own, other] = [ours.split('\n'), theirs.split('\n')]
  const at = own.findIndex((line, n) => line !== other[n])
  return `the template makes another page of ${page}, line ${at + 1}:\n${own[at]}\n${other[at]}`
}

function checkSame(site: Site): void {
  const renderer = createPageWriter(site, YEAR)
  const contexts = contextsOf(site)
  ;[...walk(site.plan)].forEach(({ entry }, at) => {
    const ours = renderer.page(entry.id)
    const theirs = template(contexts[at])
    if (ours !== theirs) throw new Error(firstDifference(entry.id, ours, theirs))
  })
}

const micro = (ms: number, pages: number) => `${((ms / pages) * 1000).toFixed(1).padStart(8)} µs`

const small = makeSite(100)
checkSame(small)
console.log(
  `${childrenOf(small.plan, small.plan.home).length + 1} first-level items in the menu, pages of about ${Math.round(createPageWriter(small, YEAR).page('p50').length / 1024)} kB`,
)
console.log('   pages   first time       again    template   again : template')
for (const size of SIZES) {
  const site = makeSite(size)
  const cold = fastest(() => structuredClone(site), renderAll)
  const warm = fastest(() => site, renderAll)
  const contexts = contextsOf(site)
  const other = fastest(
    () => contexts,
    (all) => all.forEach((context) => template(context)),
  )
  console.log(
    `${String(size).padStart(8)} ${micro(cold, size)} ${micro(warm, size)} ${micro(other, size)}   ${(warm / other).toFixed(2)}`,
  )
}
console.log(
  '“first time” parses every body and works out every address; “again” is after an edit elsewhere in the plan.',
)
