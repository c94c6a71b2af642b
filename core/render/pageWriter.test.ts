import { piecesOf, withPieces } from '../plan/surround/surround.ts'
import fc from 'fast-check'
import { addressesOf } from '../address/addresses.ts'
import { encodePath } from '../address/relative.ts'
import { hereMark, indexOfMenu, itemsOf } from '../navigate/menu.ts'
import { breadcrumbOf } from '../navigate/breadcrumb.ts'
import { labelOf, type PageEntry } from '../plan/entry.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { Change } from '../plan/change/change.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, LINK_STYLES, type Site } from '../plan/site.ts'
import { readOpml } from '../formats/opml.ts'
import { outputFiles } from '../formats/archive.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { attribute, isInside, readPage, textOf } from '../testing/readPage.ts'
import { createPageWriter } from './pageWriter.ts'
import { YEAR } from '../testing/year.ts'

const TOP = 'https://example.org/some%20where/'

const pagesOf = (site: Site): PageEntry[] =>
  [...walk(site.plan)].flatMap(({ entry }) => (isWritten(site, entry) ? [entry] : []))
const urlOf = (site: Site, id: string) => TOP + encodePath(addressesOf(site).paths.get(id)!)

/** Header and footer of a page with marks taken off and links resolved: what must be the same everywhere. */
function bareSurround(html: string, url: string): string {
  const part = (from: string, to: string) =>
    html.includes(from) ? html.slice(html.indexOf(from), html.indexOf(to)) : ''
  return (part('<header', '</header>') + part('<footer', '</footer>'))
    .replace(/ class="(here|within)"/g, '')
    .replace(/ aria-current="(page|true)"/g, '')
    .replace(
      / (href|src)="([^"]*)"/g,
      (_, name: string, href: string) => ` ${name}="${new URL(href.replaceAll('&amp;', '&'), url).href}"`,
    )
}

describe('pages of any site', () => {
  test('every link leads to a page that is written, and none is empty or #, in every style of links', () => {
    fc.assert(
      fc.property(arbitrarySite(), fc.constantFrom(...LINK_STYLES), (given, linkStyle) => {
        const site = { ...given, settings: { ...given.settings, linkStyle, baseUrl: TOP } }
        const index = `index${site.settings.extension}`
        const renderer = createPageWriter(site, YEAR)
        const urls = new Set(
          [...outputFiles(site, YEAR)].map(({ path }) => new URL(TOP + encodePath(path)).href),
        )
        for (const page of pagesOf(site)) {
          const html = renderer.page(page.id)
          expect(html).not.toMatch(/ href="#?"/)
          for (const element of readPage(html).elements) {
            const href = attribute(element, 'href') ?? attribute(element, 'src')
            if (href === undefined || href.startsWith('#')) continue
            const url = new URL(href, urlOf(site, page.id))
            const file = url.href.replace(/#.*$/, '').replace(/\/$/, `/${index}`)
            if (url.href.startsWith(TOP)) expect(urls).toContain(file)
            else expect(url.href).toBe('https://example.org/?a=1&b=2')
            if (!site.settings.namesIndex) expect(url.pathname.endsWith(`/${index}`)).toBe(false)
          }
        }
      }),
      { numRuns: 60 },
    )
  })

  test('header and footer are the same on all but for marks and paths', () => {
    fc.assert(
      fc.property(arbitrarySite(), (given) => {
        const site: Site = {
          ...given,
          // Its page is shown at any address: its links start from the top.
          settings: { ...given.settings, notFound: null },
          surround: withPieces(given.surround, { here: { ...piecesOf(given.surround).here, form: 'link' } }),
        }
        const renderer = createPageWriter(site, YEAR)
        const surrounds = new Set(
          pagesOf(site).map(({ id }) => bareSurround(renderer.page(id), urlOf(site, id))),
        )
        expect(surrounds.size).toBe(1)
      }),
      { numRuns: 60 },
    )
  })

  test('the menu is marked as hereMark says: at most one current item, the ancestors within', () => {
    fc.assert(
      fc.property(arbitrarySite(), (site) => {
        const renderer = createPageWriter(site, YEAR)
        const index = indexOfMenu(itemsOf(site, site.surround.menus[0]!, site.plan.home))
        for (const page of pagesOf(site)) {
          const mark = hereMark(site.plan, index, page.id)
          const read = readPage(renderer.page(page.id))
          const inMenu = read.elements.filter(
            (element) => isInside(element, 'header') && isInside(element, 'li'),
          )
          const current = inMenu.filter((element) => attribute(element, 'aria-current') !== undefined)
          expect(current.length).toBe(mark.here || mark.nearest ? 1 : 0)
          if (mark.here) {
            expect(attribute(current[0]!, 'aria-current')).toBe('page')
            expect(attribute(current[0]!, 'class')).toBe('here')
            expect(current[0]!.tagName).toBe(piecesOf(site.surround).here.form === 'text' ? 'span' : 'a')
            expect(textOf(current[0]!)).toBe(labelOf(page))
          } else if (mark.nearest) expect(attribute(current[0]!, 'aria-current')).toBe('true')
          const within = inMenu.filter((element) => attribute(element, 'class') === 'within')
          expect(within).toHaveLength(mark.within.size + (mark.nearest ? 1 : 0))
        }
      }),
      { numRuns: 60 },
    )
  })

  test('breadcrumbs say the ancestors; the last item is the page, as text', () => {
    fc.assert(
      fc.property(arbitrarySite(12), (site) => {
        const renderer = createPageWriter(site, YEAR)
        for (const page of pagesOf(site)) {
          const read = readPage(renderer.page(page.id))
          const items = read.all('li').filter((item) => isInside(item, 'ol'))
          const way = breadcrumbOf(site.plan, { from: 1 }, page.id)
          expect(items.map(textOf)).toEqual(way.map((id) => labelOf(site.plan.entries.get(id)!)))
        }
      }),
      { numRuns: 40 },
    )
  })

  test('markup in titles, labels and words is text everywhere: pages parse to the elements they should have', () => {
    fc.assert(
      fc.property(arbitrarySite(12), (site) => {
        const renderer = createPageWriter(site, YEAR)
        for (const page of pagesOf(site)) {
          const read = readPage(renderer.page(page.id))
          expect(read.all('script')).toHaveLength(1)
          expect(read.all('h1').map(textOf)).toEqual([page.title])
          expect(read.all('main')).toHaveLength(1)
          expect(textOf(read.all('title')[0]!)).toContain(site.settings.name)
        }
      }),
      { numRuns: 40 },
    )
  })

  test('rendering twice gives the same bytes, and says nothing of how the pages were made', () => {
    fc.assert(
      fc.property(arbitrarySite(12), (site) => {
        const once = createPageWriter(site, YEAR)
        const again = createPageWriter(structuredClone(site), YEAR)
        for (const { id } of pagesOf(site)) {
          expect(again.page(id)).toBe(once.page(id))
          expect(once.page(id)).not.toMatch(/viatica|generator/i)
        }
      }),
      { numRuns: 20 },
    )
  })
})

describe('a page', () => {
  const site = readOpml(`<opml version="2.0"><head><title>Trust</title></head><body><outline text="Home">
    <outline text="Visit"><outline text="Times"/></outline><outline text="Boats"/></outline></body></opml>`)
  const make = (...changes: Change[]) => changes.reduce((now, change) => applyChange(now, change).site, site)
  const page = (from: Site, id: string) => createPageWriter(from, YEAR).page(id)

  test('has landmarks in the order skip link, header, breadcrumb, main, pager, footer', () => {
    const html = page(site, 'times')
    expect(readPage(html).outline).toEqual(['a', 'header', 'div', 'main', 'div', 'footer'])
    expect(html).toMatch(
      /^<!doctype html>\n<html lang="en" dir="ltr">\n {2}<head>\n {4}<meta charset="utf-8">/,
    )
  })

  test('says previous and next in the head and in the pager; the ends have one each', () => {
    const rels = (id: string) =>
      readPage(page(site, id)).elements.flatMap((element) => {
        const rel = attribute(element, 'rel')
        return rel === 'prev' || rel === 'next'
          ? [`${element.tagName} ${rel} ${attribute(element, 'href')}`]
          : []
      })
    expect(rels('visit')).toEqual([
      'link prev index.html',
      'link next times.html',
      'a prev index.html',
      'a next times.html',
    ])
    expect(rels('home')).toEqual(['link next visit.html', 'a next visit.html'])
    expect(rels('boats')).toEqual(['link prev times.html', 'a prev times.html'])
  })

  test('has a canonical address when the site has a base URL', () => {
    const based = make({ kind: 'setSite', field: 'baseUrl', value: 'https://example.org/sub/' })
    expect(page(based, 'times')).toContain('<link rel="canonical" href="https://example.org/sub/times.html">')
    expect(page(site, 'times')).not.toContain('canonical')
  })

  test('takes its first heading from the body when that brings one', () => {
    const body = { html: '<h1>Own</h1><p>x</p>', changed: '' }
    const html = page(make({ kind: 'setEntry', entry: 'times', field: 'body', value: body }), 'times')
    expect(readPage(html).all('h1').map(textOf)).toEqual(['Own'])
  })
})
