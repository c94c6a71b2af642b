import fc from 'fast-check'
import { DirectedGraph } from 'graphology'
import { singleSource } from 'graphology-shortest-path/unweighted.js'
import { addressesOf, pageAtPath } from '../address/addresses.ts'
import { encodePath } from '../address/relative.ts'
import { readOpml } from '../formats/opml.ts'
import { linkGraph } from './linkGraph.ts'
import { newPage } from '../plan/newEntry.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { createPageWriter } from '../render/pageWriter.ts'
import { partOnPage } from '../ripple/ripple.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { arbitrarySurround } from '../testing/arbitrarySurround.ts'
import { attribute, isInside, readPage } from '../testing/readPage.ts'
import { statisticsOf } from './statistics.ts'
import { countIn, wordsOn } from './wordCount.ts'
import { YEAR } from '../testing/year.ts'

const TOP = 'https://example.com/'

/** The links in the HTML of a page, or of a part of it: where each leads, and whether it stands in main. */
function linksInHtml(
  site: Site,
  id: string,
  html: string,
): { to: string | undefined; inMain: boolean; inMenu: boolean }[] {
  const url = TOP + encodePath(addressesOf(site).paths.get(id)!)
  return readPage(html)
    .all('a')
    .filter((link) => attribute(link, 'href')?.startsWith('#') === false)
    .map((link) => {
      const to = new URL(attribute(link, 'href')!, url)
      const path = decodeURIComponent(to.pathname.slice(1))
      return {
        to: to.href.startsWith(TOP) ? pageAtPath(site, path) : undefined,
        inMain: isInside(link, 'main'),
        inMenu: isInside(link, 'header') && isInside(link, 'ul'),
      }
    })
}

/** The node of a page: the library keeps ways in an object, which has a `constructor` of itself. */
const named = (id: string) => `page ${id}`

test('the links of every page are those of its finished HTML, and clicks those of a graph library', () => {
  fc.assert(
    fc.property(arbitrarySite(14), (site) => {
      const links = linkGraph(site)
      const { pages, navigationLinks, menuLinks, unreached } = statisticsOf(site)
      const library = new DirectedGraph()
      const written = [...site.plan.entries.values()].filter((entry) => isWritten(site, entry))
      for (const { id } of written) library.addNode(named(id))
      let surround = 0
      let menus = 0
      for (const [id, page] of links) {
        const read = linksInHtml(site, id, createPageWriter(site, YEAR).page(id))
        const within = (inMain: boolean) =>
          read.flatMap(({ to, inMain: isIn }) => (isIn === inMain && to ? [to] : [])).sort()
        expect([...page.surround].sort()).toEqual(within(false))
        expect([...page.text].sort()).toEqual(within(true))
        surround += read.filter(({ inMain }) => !inMain).length
        menus += read.filter(({ inMenu }) => inMenu).length
        for (const { to } of read) if (to) library.mergeEdge(named(id), named(to))
      }
      expect([navigationLinks, menuLinks]).toEqual([surround, menus])
      // graphology, shortest paths without weights: the list of nodes on the way, both ends included.
      const ways = singleSource(library, named(site.plan.home))
      for (const { id } of written) {
        const way = ways[named(id)]
        expect(pages.get(id)?.clicks).toBe(way && way.length - 1)
      }
      expect(unreached).toBe(library.nodes().filter((node) => !ways[node]).length)
    }),
    { numRuns: 60 },
  )
})

test('under any surround the links of a page are those of its finished HTML', () => {
  fc.assert(
    fc.property(arbitrarySite(10, arbitrarySurround), (site) => {
      for (const [id, { kept, surround, text }] of linkGraph(site)) {
        const renderer = createPageWriter(site, YEAR)
        const read = linksInHtml(site, id, renderer.page(id))
        // What leads out of the site from main content is no link to a page.
        const inText = linksInHtml(site, id, partOnPage(renderer, id, 'main content'))
        const leaving = inText.filter(({ to }) => to === undefined).length
        expect(kept + text.length).toBe(read.length - leaving)
        const targets = read.flatMap(({ to }) => to ?? [])
        expect([...surround, ...text].sort()).toEqual(targets.sort())
      }
    }),
    { numRuns: 80 },
  )
})

test('five pages with a menu of five links are twenty-five links to keep (common practice)', () => {
  const site = readOpml(`<opml version="2.0"><head/><body><outline text="Home">
    <outline text="A"/><outline text="B"/><outline text="C"/><outline text="D"/></outline></body></opml>`)
  expect(statisticsOf(site)).toMatchObject({ menuLinks: 25, onSite: 5, byDepth: [1, 4], byClicks: [1, 4] })
})

test('words are counted as they are read, in the language of the site', () => {
  const words = (html: string, language = 'en') =>
    wordsOn(newPage('p', 'P', { body: { html, changed: '' } }), language)
  expect(words('<p>The lock-keeper’s <em>cot</em>tage</p><p>is open.</p><script>let not = 1</script>')).toBe(
    6,
  )
  expect(words('<ul><li>one<li>two</ul>')).toBe(2)
  expect(words('')).toBe(0)
  // Unicode Standard Annex #29 leaves Japanese to dictionaries: that there are several words is what counts here.
  expect(words('<p>東京に行きます</p>', 'ja')).toBeGreaterThan(2)
})

test('words are counted as the segmenter of the platform parts the whole text (Unicode Standard Annex #29)', () => {
  const pieces = fc.oneof(
    fc.constantFrom(
      ' ',
      '  ',
      ' ',
      '.',
      ',',
      '’',
      "'",
      '“',
      '…',
      '-',
      '_',
      ':',
      '·',
      '3.5',
      'CON',
      'straße',
      'Ärger',
    ),
    fc.constantFrom(
      'it’s',
      'e.g.',
      'www.example.org',
      'naïve',
      'x\u0308',
      '\u0308',
      '\u200d',
      '\u00ad',
      '٣',
      '東京',
      'ไทย',
    ),
    fc.constantFrom('🏳️‍🌈', 'ª', '²', '×', 'a1', '1a', 'ﬁ', '\u0300', 'שלום', 'Ωμέγα', 'ǅ', '\u202f'),
    fc.string({ unit: 'binary', maxLength: 3 }),
    fc.string({ maxLength: 6 }),
  )
  fc.assert(
    fc.property(
      fc.array(pieces, { maxLength: 30 }),
      fc.constantFrom('en', 'de', 'fi', 'sv', 'el', 'ja', 'th', 'he'),
      (parts, language) => {
        const text = parts.join('')
        const whole = new Intl.Segmenter(language, { granularity: 'word' }).segment(text)
        expect(countIn(text, language)).toBe([...whole].filter(({ isWordLike }) => isWordLike).length)
      },
    ),
    { numRuns: 2000 },
  )
})
