import { piecesOf, withPieces } from '../plan/surround/surround.ts'
import fc from 'fast-check'
import { applyChange } from '../plan/change/apply.ts'
import { childrenOf } from '../plan/plan.ts'
import { createPageWriter } from '../render/pageWriter.ts'
import { createPieceWriter } from '../render/pieceWriter.ts'
import { partOnPage } from '../ripple/ripple.ts'
import { isWritten, type PiecesSite } from '../plan/site.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { attribute, readPage } from '../testing/readPage.ts'
import { YEAR } from '../testing/year.ts'
import { overviewOf, siteMapPage } from './overview.ts'

const TODAY = '2026-05-01'

test('a page becomes the overview of its section once, and its text stays before the list', () => {
  fc.assert(
    fc.property(arbitrarySite(10), (site) => {
      for (const entry of site.plan.entries.values()) {
        const change = overviewOf(site, entry.id, TODAY)
        if (entry.kind !== 'page' || childrenOf(site.plan, entry.id).length === 0) {
          expect(change).toBeUndefined()
          continue
        }
        if (!change) {
          expect(entry.body.html).toContain('<put-pages')
          continue
        }
        const { site: after, inverse } = applyChange(site, change)
        expect(overviewOf(after, entry.id, TODAY)).toBeUndefined()
        const made = after.plan.entries.get(entry.id)!
        expect(made.kind === 'page' && made.body.html.startsWith(entry.body.html.trimEnd())).toBe(true)
        expect(applyChange(after, inverse).site.plan).toEqual(site.plan)
      }
    }),
    { numRuns: 60 },
  )
})

test('a site gets one map, which links to every page that menus may show', () => {
  fc.assert(
    fc.property(arbitrarySite(10), (given) => {
      const entries = new Map(
        [...given.plan.entries].map(([id, entry]) => [id, { ...entry, inMenu: true }] as const),
      )
      const here = { ...piecesOf(given.surround).here, form: 'link' as const }
      const site = {
        ...given,
        surround: withPieces(given.surround, { here }),
        plan: { ...given.plan, entries },
      }
      const change = siteMapPage(site, 'map', TODAY)
      if (!change) {
        expect(
          [...entries.values()].some((one) => one.kind === 'page' && /site-map/.test(one.body.html)),
        ).toBe(true)
        return
      }
      const { site: after } = applyChange(site, change)
      expect(siteMapPage(after, 'another', TODAY)).toBeUndefined()
      const pages = [...after.plan.entries.values()].filter((one) => isWritten(after, one))
      const read = readPage(partOnPage(createPageWriter(after, YEAR), 'map', 'main content'))
      const leads = read.all('a').map((link) => attribute(link, 'href')!)
      for (const page of pages) {
        const href = createPieceWriter(after as PiecesSite, YEAR)
          .linksOn('map')
          .toPage(page.id)!
        expect(leads).toContain(href.replaceAll('&amp;', '&'))
      }
    }),
    { numRuns: 40 },
  )
})
