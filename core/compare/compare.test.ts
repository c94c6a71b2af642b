import { piecesOf, withPieces } from '../plan/surround/surround.ts'
import { loadDemo } from '@viatica/demo/load.ts'
import { addressesOf } from '../address/addresses.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { createPageWriter } from '../render/pageWriter.ts'
import { YEAR } from '../testing/year.ts'
import { type ComparedPage, comparePages } from './compare.ts'
import { sourceLines } from './regions.ts'

const { site } = loadDemo()
const SECTION_MENUS = new Set(['In this section'])

function pagesOf(from: Site): ComparedPage[] {
  const renderer = createPageWriter(from, YEAR)
  const { paths } = addressesOf(from)
  return [...walk(from.plan)].flatMap(({ entry }) =>
    isWritten(from, entry)
      ? [
          {
            html: renderer.page(entry.id),
            url: `https://example.org/${paths.get(entry.id)}`,
            title: entry.title,
          },
        ]
      : [],
  )
}
const causes = (a: ComparedPage, b: ComparedPage, from = site) =>
  new Set(comparePages(a, b, piecesOf(from.surround).here, SECTION_MENUS).map(({ cause }) => cause))

describe('two pages of the demo', () => {
  // WCAG 2.2, 3.2.3 Consistent Navigation and 3.2.4 Consistent Identification, over every pair of pages.
  test('any two of them differ by known causes only, marks as links or as plain text', () => {
    for (const form of ['link', 'text'] as const) {
      const from: Site = {
        ...site,
        surround: withPieces(site.surround, { here: { ...piecesOf(site.surround).here, form } }),
      }
      const pages = pagesOf(from)
      for (const [n, page] of pages.entries()) {
        for (const other of form === 'link' ? pages.slice(n + 1) : pages.slice(n + 1, n + 3)) {
          const found = causes(page, other, from)
          expect(found).not.toContain('drift')
          expect(found).toContain('title')
        }
      }
    }
  })

  test('a page is the same as itself', () => {
    for (const page of pagesOf(site)) expect(causes(page, page).size).toBe(0)
  })

  test('every difference is shown: the lines that are not named are the same on both', () => {
    const [a, b] = pagesOf(site).slice(3, 5) as [ComparedPage, ComparedPage]
    const found = comparePages(a, b, piecesOf(site.surround).here, SECTION_MENUS)
    const rest = ({ html }: ComparedPage, side: 0 | 1) => {
      const named = new Set(found.flatMap(({ at, lines }) => lines[side].map((_, n) => at[side] + n)))
      return html.split('\n').filter((_, line) => !named.has(line + 1))
    }
    expect(rest(a, 0)).toEqual(rest(b, 1))
  })

  test.each([
    ['a link of the menu taken out', '<li><a href="index.html">Home</a></li>\n', '', 'menu'],
    ['another word in the header', 'Join a work party', 'Join us', 'header'],
    ['a link that leads elsewhere', 'href="boating/moorings.html"', 'href="boating/mooring.html"', 'menu'],
    ['another word in the footer', '>The office<', '>The ofice<', 'footer'],
    [
      'a mark left on the wrong item',
      '<a href="news.html">News',
      '<a href="news.html" aria-current="page" id="x">News',
      'menu',
    ],
    ['another style sheet', 'href="style.css"', 'href="old.css"', 'head'],
  ] as const)('a page spoiled by hand is found: %s', (_, from, to, region) => {
    const [good, other] = pagesOf(site).slice(1, 3) as [ComparedPage, ComparedPage]
    // The first level stands in the top folder, so that its links are written as above.
    expect(good.html).toContain(from.replace(' class="within"', ''))
    const spoiled = { ...good, html: good.html.replace(from, to) }
    const drift = comparePages(spoiled, other, piecesOf(site.surround).here, SECTION_MENUS).filter(
      ({ cause }) => cause === 'drift',
    )
    expect(drift.map((one) => one.region)).toEqual([region])
  })
})

test('the parts of a source are told apart, each line once', () => {
  const [home, visit] = pagesOf(site) as [ComparedPage, ComparedPage]
  const lines = sourceLines(visit.html, SECTION_MENUS)
  expect(lines.map(({ text }) => text).join('\n')).toBe(visit.html.trimEnd())
  const regions = new Set(lines.map(({ region }) => region))
  for (const region of [
    'title',
    'header',
    'menu',
    'section menu',
    'breadcrumb',
    'heading',
    'content',
    'pager',
    'footer',
  ] as const)
    expect(regions).toContain(region)
  // The home page has neither, and no empty frame for them.
  const ofHome = new Set(sourceLines(home.html, SECTION_MENUS).map(({ region }) => region))
  expect(ofHome).toContain('banner')
  expect(ofHome).not.toContain('side')
  expect(ofHome).not.toContain('breadcrumb')
})
