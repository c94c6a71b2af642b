import { piecesOf, withPieces } from '../plan/surround/surround.ts'
import fc from 'fast-check'
import { addressesOf } from '../address/addresses.ts'
import { encodePath } from '../address/relative.ts'
import { bring } from '../existing/bring.ts'
import { createPageWriter } from '../render/pageWriter.ts'
import { arbitraryHandSite, handFiles } from '../testing/handMade.ts'
import { attribute, readPage } from '../testing/readPage.ts'
import { YEAR } from '../testing/year.ts'
import { newPage } from '../plan/newEntry.ts'
import { applyChange } from '../plan/change/apply.ts'
import { newSite, type Site } from '../plan/site.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { arbitrarySurround } from '../testing/arbitrarySurround.ts'
import { linkGraph } from './linkGraph.ts'
import { LINK_WAYS, type LinkWay, linkPicture, linksBetween, wayBit } from './linkPicture.ts'

/** A site of five pages, with a menu of the five in its header and nothing else around them. */
function fivePages(): Site {
  const bare = newSite('Five', 'home')
  const pages = ['One', 'Two', 'Three', 'Four'].map((title) => ({
    ...newPage(title.toLowerCase(), title, { state: 'ready' }),
    entries: [],
  }))
  const { site } = applyChange(bare, { kind: 'add', parent: 'home', place: 0, branches: pages })
  const { places } = piecesOf(site.surround)
  const menu = Object.values(places)
    .flat()
    .find(({ kind }) => kind === 'menu')!
  const empty = { header: [], side: [], before: [], after: [], footer: [] }
  return { ...site, surround: withPieces(site.surround, { places: { ...empty, header: [menu] } }) }
}

const withBody = (site: Site, entry: string, html: string) =>
  applyChange(site, { kind: 'setEntry', entry, field: 'body', value: { html, changed: '' } }).site

/** The ways in which one page links to another, in the order of LINK_WAYS. */
function ways(site: Site, from: string, to: string): LinkWay[] {
  const { pages, cells } = linkPicture(site)
  const at = (id: string) => pages.findIndex((page) => page.id === id)
  const cell = cells[at(from) * pages.length + at(to)]!
  return LINK_WAYS.filter((way) => cell & wayBit(way))
}

test('five pages with a menu of five are twenty-five links (common practice)', () => {
  const { pages, cells, links } = linkPicture(fivePages())
  expect(pages.map(({ label }) => label)).toEqual(['Home', 'One', 'Two', 'Three', 'Four'])
  expect([...cells]).toEqual(Array<number>(25).fill(wayBit('menu')))
  expect(links).toBe(25)
  // Four other pages lead to each of them, and five links stand on each.
  expect(pages.map((page) => [page.surroundIn, page.surroundOut, page.textIn, page.textOut])).toEqual(
    Array(5).fill([4, 5, 0, 0]),
  )
  expect(pages.map(({ clicks }) => clicks)).toEqual([0, 1, 1, 1, 1])
})

test('a link in text stands in its cell beside those of the menu, and its place is told', () => {
  const site = withBody(fivePages(), 'two', '<p>First\n<a href="entry:one#start">go <b>there</b></a>.</p>')
  expect(ways(site, 'two', 'one')).toEqual(['text', 'menu'])
  expect(ways(site, 'one', 'two')).toEqual(['menu'])
  const [text, menu, ...others] = linksBetween(site, 'two', 'one')
  expect(text).toEqual({ in: 'text', start: 9, end: 35, line: 2, words: 'go there' })
  expect(menu).toMatchObject({ in: 'piece', way: 'menu', count: 1 })
  expect(others).toEqual([])
  expect(linksBetween(site, 'two', 'nothing')).toEqual([])
})

test('pager and breadcrumb are told apart from a menu and from what stands in the footer', () => {
  const bare = fivePages()
  const brand = {
    id: 'sign',
    kind: 'brand',
    beside: false,
    picture: true,
    name: true,
    tagline: false,
  } as const
  const pieces = Object.values(piecesOf(newSite('Other', 'home').surround).places).flat()
  const named = (kind: string) => pieces.filter((piece) => piece.kind === kind)
  const places = { ...piecesOf(bare.surround).places, before: named('breadcrumb'), after: named('pager') }
  const site = { ...bare, surround: withPieces(bare.surround, { places: { ...places, footer: [brand] } }) }
  expect(ways(site, 'one', 'home')).toEqual(['pager', 'breadcrumb', 'menu', 'footer'])
  expect(ways(site, 'one', 'two')).toEqual(['pager', 'menu'])
  expect(ways(site, 'four', 'two')).toEqual(['menu'])
})

test('under any surround the picture holds just the links that the graph of links holds', () => {
  fc.assert(
    fc.property(arbitrarySite(9, arbitrarySurround), (site) => {
      const { pages, cells, links } = linkPicture(site)
      const graph = linkGraph(site)
      expect(pages.map(({ id }) => id)).toEqual([...graph.keys()])
      let count = 0
      for (const [row, { id }] of pages.entries()) {
        const { surround, text } = graph.get(id)!
        count += surround.length + text.length
        const reached = new Set([...surround, ...text])
        for (const [column, { id: to }] of pages.entries()) {
          const places = linksBetween(site, id, to)
          const ways = new Set(places.map((place) => (place.in === 'text' ? 'text' : place.way)))
          const bits = [...ways].reduce((sum, way) => sum + wayBit(way), 0)
          expect([to, cells[row * pages.length + column]]).toEqual([to, bits])
          expect(reached.has(to)).toBe(bits > 0)
        }
      }
      expect(links).toBe(count)
    }),
    { numRuns: 40 },
  )
})

test('of existing pages the picture holds just the links of the finished pages, as a browser reads them', () => {
  let met = 0
  fc.assert(
    fc.property(arbitraryHandSite, (hand) => {
      const { site } = bring(handFiles(hand))
      const { paths } = addressesOf(site)
      const renderer = createPageWriter(site, YEAR)
      const { pages, cells } = linkPicture(site)
      const top = 'https://host.example/'
      const ids = new Map(pages.map(({ id }) => [new URL(encodePath(paths.get(id)!), top).href, id]))
      for (const [row, { id }] of pages.entries()) {
        const at = new URL(encodePath(paths.get(id)!), top)
        const there = new Set(
          readPage(renderer.shown(id))
            .all('a')
            .flatMap((link) => {
              const href = attribute(link, 'href')
              if (href === undefined || href.startsWith('#')) return []
              const { origin, pathname } = new URL(href, at)
              return ids.get(origin + pathname) ?? ids.get(`${origin}${pathname}index.html`) ?? []
            }),
        )
        const told = pages.flatMap((to, column) => (cells[row * pages.length + column] ? [to.id] : []))
        expect([id, told]).toEqual([id, pages.flatMap((to) => (there.has(to.id) ? [to.id] : []))])
        met += told.length
      }
    }),
    { numRuns: 40 },
  )
  expect(met).toBeGreaterThan(0)
})
