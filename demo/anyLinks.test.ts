import { addressesOf } from '@viatica/core/address/addresses.ts'
import { Checker } from '@viatica/core/check/checker.ts'
import { bring } from '@viatica/core/existing/bring.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { templatesOf, withTemplates } from '@viatica/core/plan/surround/surround.ts'
import { removeAll } from '@viatica/core/shape/shape.ts'
import { anyChange, arbitraryDraws, arbitraryStart, tried } from '@viatica/core/testing/arbitraryChange.ts'
import { hostileHtml } from '@viatica/core/testing/arbitraryHtml.ts'
import { arbitraryHandSite, handFiles } from '@viatica/core/testing/handMade.ts'
import { YEAR } from '@viatica/core/testing/year.ts'
import { walkSite, type WalkReport } from '@viatica/core/walk/walk.ts'
import fc from 'fast-check'
import { parseFragment, serialize } from 'parse5'
import { brokenOn, shownSite } from './testing/host.ts'

/** Templates whose links begin at the root of their host, on which the site is not on top. */
function fromRoot(site: Site): Site {
  const templates = templatesOf(site.surround)
  if (!templates) return site
  const told = JSON.stringify(templates).replaceAll('"start":"relative"', '"start":"root"')
  return { ...site, surround: withTemplates(site.surround, { ...JSON.parse(told), root: '/~mill/' }) }
}

const imported = arbitraryHandSite.map((hand) => bring(handFiles(hand)).site)
const either = fc.oneof(arbitraryStart(8), imported, imported.map(fromRoot))
/** Only what browsers make of it: they pass over tags out of place, which the link checker reads. */
const asParsed = (html: string) => serialize(parseFragment(html, { scriptingEnabled: false }))
const texts = fc.oneof(
  hostileHtml.map(asParsed),
  fc.constantFrom(
    '<p><a href="gone.html">x</a> <a href="entry:home">y</a></p>',
    '<img src="gone.png" srcset="entry:home 1x, also-gone.png 2x" alt="">',
    '<p><a href="../x/">x</a> <a href="?a=b">y</a> <a href="/">z</a></p>',
  ),
)
const steps = fc.array(fc.tuple(arbitraryDraws, fc.nat(), fc.constantFrom('any', 'remove', 'text'), texts), {
  maxLength: 5,
})

/** A site after some changes, as people make them: texts that point to nothing, pages that are removed. */
const changedSite = fc.tuple(either, steps).map(([start, all]) =>
  all.reduce((site, [draws, pick, kind, html], fresh) => {
    const ids = [...site.plan.entries.keys()]
    const entry = ids[pick % ids.length]!
    if (kind === 'any') return tried(site, anyChange(site, draws, fresh))
    if (kind === 'remove') return tried(site, removeAll(site, [entry], 'go-too'))
    return tried(site, { kind: 'setEntry', entry, field: 'body', value: { html, changed: '' } })
  }, start),
)

/** Where the site is on its host, `/` at both ends. */
const rootOf = ({ settings, surround }: Site) =>
  settings.baseUrl === '' ? (templatesOf(surround)?.root ?? '/') : new URL(settings.baseUrl).pathname

/** What is said once for all pages. */
const ALL = /-around$|^root-/
const LINKS =
  /^(?:dead-|included-|root-|link-to-planned|no-such-file|other-case|empty-target|host-without|mail-without|scheme|own-)/

test('what a link checker (linkinator) finds in any site after any changes, the link check finds, and Proof names', async () => {
  const met = { broken: 0, pieces: 0, templates: 0 }
  await fc.assert(
    fc.asyncProperty(changedSite, async (site) => {
      const { paths } = addressesOf(site)
      let report: WalkReport | undefined
      for (const next of walkSite(site, YEAR)) report = next
      const own = report!.faults.flatMap(({ page, text, why }) =>
        why === 'leads nowhere' ? [{ page: paths.get(page)!, target: text }] : [],
      )
      const host = {
        index: `index${site.settings.extension}`,
        root: rootOf(site),
        baseUrl: site.settings.baseUrl,
      }
      await brokenOn(shownSite(site), host, async (broken, isThere) => {
        met[site.surround.kind]++
        met.broken += broken.length
        const told = new Set(own.map(({ page, target }) => isThere.key(page, target)))
        expect(broken.filter((key) => !told.has(key))).toEqual([])
        // It looks at fewer attributes than the link check, so the host is asked.
        for (const { page, target } of own) expect(await isThere(page, target)).toBe(false)
        const byPath = new Map([...paths].map(([id, path]) => [path, id]))
        const findings = new Checker().check(site).filter(({ rule }) => LINKS.test(rule))
        // What pages put in is one part for all of them.
        const isNamed = (page: string) =>
          findings.some(
            ({ place, rule }) => ALL.test(rule) || !('entry' in place) || place.entry === byPath.get(page),
          )
        expect(broken.filter((key) => !isNamed(key.split(' → ')[0]!))).toEqual([])
      })
    }),
    { numRuns: 60 },
  )
  expect(Math.min(...Object.values(met))).toBeGreaterThan(0)
})
