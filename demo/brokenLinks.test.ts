import { addressesOf } from '@viatica/core/address/addresses.ts'
import { Checker } from '@viatica/core/check/checker.ts'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import { walk } from '@viatica/core/plan/plan.ts'
import { isWritten, type Site } from '@viatica/core/plan/site.ts'
import { YEAR } from '@viatica/core/testing/year.ts'
import { walkSite, type WalkReport } from '@viatica/core/walk/walk.ts'
import { loadDemo } from './load.ts'
import { checkLinks, finished } from './testing/host.ts'

/** Ways in which a link of a page is broken: what was pasted, and where it leads. */
const DAMAGES: readonly (readonly [html: string, target: string])[] = [
  ['<a href="gone.html">a page that is gone</a>', 'gone.html'],
  ['<a href="Visit.html">a name that differs by case</a>', 'Visit.html'],
  ['<a href="visit.htm">another extension</a>', 'visit.htm'],
  ['<a href="visit">no extension</a>', 'visit'],
  ['<a href="boating/summit-stop-lock.html">a page that is planned</a>', 'boating/summit-stop-lock.html'],
  ['<a href="/old/visit.html">a folder that is gone</a>', '/old/visit.html'],
  ['<a href="www.example.org/shop">a host without a scheme</a>', 'www.example.org/shop'],
  ['<a href="office@example.org">an e-mail address without mailto</a>', 'office@example.org'],
  ['<a href="gone.html?from=menu">a query behind it</a>', 'gone.html?from=menu'],
  ['<a href="gone.html#hours">a fragment behind it</a>', 'gone.html#hours'],
  ['<a href="opening%20times.html">a blank in it</a>', 'opening%20times.html'],
  ['<a href="docs/plan.pdf">a download that is gone</a>', 'docs/plan.pdf'],
  ['<img src="pictures/gone.svg" alt="A picture that is gone">', 'pictures/gone.svg'],
  ['<img src="Pictures/logo.svg" alt="A folder that differs by case">', 'Pictures/logo.svg'],
  ['<img src="/pictures/logo.svg" srcset="pictures/large.svg 2x" alt="">', 'pictures/large.svg'],
  ['<link rel="stylesheet" href="copied.css">', 'copied.css'],
  ['<script src="copied.js"></script>', 'copied.js'],
  ['<iframe src="timetable.html" title="Timetable"></iframe>', 'timetable.html'],
  ['<video src="film.mp4" controls></video>', 'film.mp4'],
  ['<object data="map.svg">A map</object>', 'map.svg'],
  ['<audio controls><source src="bell.mp3"></audio>', 'bell.mp3'],
  ['<map name="m"><area href="lock-area.html" alt="The lock"></map>', 'lock-area.html'],
]

const demo = loadDemo()
const pages = [...walk(demo.site.plan)].flatMap(({ entry }) => (isWritten(demo.site, entry) ? [entry] : []))

/** The demo with one damage on each of its first pages. */
const damaged = DAMAGES.reduce((site: Site, [html], at) => {
  const { id: entry, body } = pages[at]!
  const value = { ...body, html: `${body.html}\n<p>${html}</p>` }
  return applyChange(site, { kind: 'setEntry', entry, field: 'body', value }).site
}, demo.site)
const { paths } = addressesOf(damaged)

/** A page and where a link on it leads, as addresses on a host. */
const pair = (top: string, page: string, target: string) =>
  `${page} → ${new URL(target, new URL(page, top)).href.slice(top.length).replace(/#.*$/, '')}`

const DAMAGED = DAMAGES.map(([, target], at) =>
  pair('https://example.org/', paths.get(pages[at]!.id)!, target),
).sort()

test('an independent link checker (linkinator) finds on a damaged export just the links that were broken', async () => {
  expect(DAMAGES.length).toBeGreaterThanOrEqual(20)
  const { url, links } = await checkLinks(finished({ ...demo, site: damaged }))
  const broken = links.filter(({ state }) => state === 'BROKEN')
  const found = broken.map((link) => {
    const page = link.parent!.slice(url.length) || 'index.html'
    return pair(url, page, link.url)
  })
  // The home page is read under each of its two addresses.
  expect([...new Set(found)].sort()).toEqual(DAMAGED)
})

test('a walk finds the same set', () => {
  let report: WalkReport | undefined
  for (const next of walkSite(damaged, YEAR)) report = next
  const found = report!.faults.map(({ page, text, why }) => {
    expect(why).toBe('leads nowhere')
    return pair('https://example.org/', paths.get(page)!, text)
  })
  expect(found.sort()).toEqual(DAMAGED)
})

test('the rules find one of them on each page', () => {
  const rules = new Set([
    'no-such-file',
    'other-case',
    'host-without-scheme',
    'mail-without-scheme',
    'own-styles',
  ])
  const findings = new Checker().check(damaged).filter(({ rule }) => rules.has(rule))
  const found = new Set(findings.map(({ place }) => ('entry' in place ? place.entry : place.in)))
  expect([...found].sort()).toEqual(
    pages
      .slice(0, DAMAGES.length)
      .map(({ id }) => id)
      .sort(),
  )
})
