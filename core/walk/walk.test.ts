import { piecesOf, withPieces } from '../plan/surround/surround.ts'
import fc from 'fast-check'
import { loadDemo } from '@viatica/demo/load.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { Site } from '../plan/site.ts'
import { bring } from '../existing/bring.ts'
import { Checker } from '../check/checker.ts'
import { arbitraryHandSite, FAULTS, handFiles } from '../testing/handMade.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { arbitrarySurround } from '../testing/arbitrarySurround.ts'
import { readOpml } from '../formats/opml.ts'
import { YEAR } from '../testing/year.ts'
import { walkSite, type WalkReport } from './walk.ts'

const whole = (site: Site): WalkReport => {
  let last: WalkReport | undefined
  for (const report of walkSite(site, YEAR)) last = report
  return last!
}
const withBody = (site: Site, entry: string, html: string) =>
  applyChange(site, { kind: 'setEntry', entry, field: 'body', value: { html, changed: '' } }).site

test('the demo has no link that leads nowhere, and one surround', () => {
  const { site } = loadDemo()
  const report = whole(site)
  expect(report.faults).toEqual([])
  expect(report.pages).toBe(37)
  expect([...report.leaving.keys()].sort()).toEqual(
    expect.arrayContaining(['https://shop.example.org/wetherlock', 'mailto:office@wetherlock.example.org']),
  )
})

// Common practice: five pages with a menu of five are twenty-five links.
test('five pages with a menu of five: 25 links of the menu', () => {
  const five = readOpml(
    `<opml version="2.0"><head><title>T</title></head><body><outline text="Home">${'<outline text="Page"/>'.repeat(4)}</outline></body></opml>`,
  )
  const places = { header: [], side: [], before: [], after: [], footer: [] }
  const menuAlone = {
    ...five,
    surround: withPieces(five.surround, {
      places: {
        ...places,
        header: piecesOf(five.surround).places.header.filter(({ kind }) => kind === 'menu'),
      },
      headFiles: { ...piecesOf(five.surround).headFiles, ourStyles: false, ourScript: false },
    }),
  }
  // Besides, each page has a skip link, and previous and next in its head.
  expect(whole(menuAlone).links).toBe(25 + 5 + 8)
})

test.each([
  ['a page that is not there', '<a href="gone.html">x</a>', 'leads nowhere'],
  ['a part that is not there', '<a href="entry:times#gone">x</a>', 'no such heading'],
  [
    'a picture for visitors without scripts',
    '<noscript><img src="p/x.png" alt=""></noscript>',
    'leads nowhere',
  ],
  ['a folder without its slash that is not there', '<a href="old">x</a>', 'leads nowhere'],
  ['a picture that is not there', '<img src="p/x.png" alt="">', 'leads nowhere'],
  [
    'one of several pictures',
    '<img srcset="p/y.png 2x, https://example.org/z.png 3x" src="data:," alt="">',
    'leads nowhere',
  ],
  ['a name that differs by case', '<a href="Times.html">x</a>', 'leads nowhere'],
])('%s is found at its line', (_, html, why) => {
  const site = readOpml(
    `<opml version="2.0"><head><title>T</title></head><body><outline text="Home"><outline text="Times"/></outline></body></opml>`,
  )
  const report = whole(withBody(site, 'home', html))
  expect(report.faults).toMatchObject([{ page: 'home', why }])
  expect(report.faults[0]!.line).toBeGreaterThan(20)
  expect(whole(withBody(site, 'home', '<a href="entry:times">x</a> <a href="#main">y</a>')).faults).toEqual(
    [],
  )
})

test('over random sites no link of the surround leads nowhere, and no surround differs without a cause', () => {
  fc.assert(
    fc.property(arbitrarySite(8, arbitrarySurround), (site) => {
      const { faults } = whole(site)
      // The bodies of random sites link to a part that their pages do not have.
      expect(
        faults.filter(({ why, text }) => why !== 'no such heading' || !/#(part|top)$/.test(text)),
      ).toEqual([])
    }),
    { numRuns: 60 },
  )
})

test('a file is found however much of its path a page encodes', () => {
  const site = readOpml(
    `<opml version="2.0"><head><title>T</title></head><body><outline text="Home"/></body></opml>`,
  )
  const path = "p/a@2x, b (1) & c+d's é.png"
  const file = { id: 'f', path, content: 'k', size: 1, alt: '' }
  const withFile = applyChange(site, { kind: 'addFile', file }).site
  const written = [
    path,
    encodeURI(path),
    path.split('/').map(encodeURIComponent).join('/'),
    `p/${path.slice(2).replaceAll(' ', '%20')}`,
  ]
  for (const src of written)
    expect(
      whole(withBody(withFile, 'home', `<img src="${src.replaceAll('&', '&amp;')}" alt="">`)).faults,
    ).toEqual([])
  expect(whole(withBody(withFile, 'home', `<img src="${path}x" alt="">`)).faults).toHaveLength(1)
})

test('a walk can be left at any page', () => {
  const walking = walkSite(loadDemo().site, YEAR)
  expect(walking.next().value).toMatchObject({ pages: 1, total: 37 })
  walking.return(undefined as never)
  expect(walking.next().done).toBe(true)
})

test('of existing pages those differ on which something was planted, as in Proof, and no sound one', () => {
  const met = { sound: 0, drifting: 0 }
  fc.assert(
    fc.property(
      arbitraryHandSite,
      fc.nat(),
      fc.option(fc.constantFrom(...FAULTS), { freq: 2, nil: undefined }),
      (hand, pick, kind) => {
        const planted = kind && { path: hand.pages[pick % hand.pages.length]!.path, kind }
        const { site, report } = bring(handFiles(hand, planted ? [planted] : []))
        const told = new Set(whole(site).faults.flatMap(({ why, page }) => (why === 'differs' ? [page] : [])))
        const inProof = new Checker()
          .check(site)
          .flatMap(({ rule, place }) =>
            rule === 'differs-from-template' && place.in === 'entry' ? [place.entry] : [],
          )
        expect([...told].sort()).toEqual([...new Set(inProof)].sort())
        if (planted === undefined && report.drift.length === 0) {
          expect(told.size).toBe(0)
          met.sound++
        }
        if (told.size > 0) met.drifting++
      },
    ),
    { numRuns: 60 },
  )
  expect(Math.min(met.sound, met.drifting)).toBeGreaterThan(0)
})
