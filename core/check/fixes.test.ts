import fc from 'fast-check'
import { bring } from '../existing/bring.ts'
import { applyChange, singlesOf } from '../plan/change/apply.ts'
import type { SingleChange } from '../plan/change/change.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import { newPage } from '../plan/newEntry.ts'
import { newSite, type Site } from '../plan/site.ts'
import { arbitraryStart } from '../testing/arbitraryChange.ts'
import { arbitrarySurround } from '../testing/arbitrarySurround.ts'
import { arbitraryHandSite, handFiles } from '../testing/handMade.ts'
import { Checker } from './checker.ts'
import { type Fixes, fixesInSteps } from './fixes.ts'

function fixesOf(site: Site, keys: readonly string[]): Fixes {
  const work = fixesInSteps(site, keys)
  for (;;) {
    const step = work.next()
    if (step.done) return step.value
  }
}
const fixed = (site: Site, changes: readonly SingleChange[]): Site =>
  applyChange(site, { kind: 'batch', changes: [...changes] }).site
const fixable = (site: Site) => new Checker().check(site).filter(({ fix }) => fix)

/** Faults that have fixes: several alike on one page, some in one element, and some within each other. */
const FAULTS = [
  '<p><a href="www.example.org">a</a> <a href="www.example.org">b</a></p>',
  '<p><a href="a@example.org">Write</a></p>',
  '<h4>Deep</h4>',
  '<h2>x</h2><h4 id="main">y</h4>',
  '<p id="menu-1">z</p>',
  '<font color="red"><b><a href="www.example.org">c</a></b></font>',
  '<p>right</p>',
]
const arbitraryFaulty = fc
  .tuple(
    fc.oneof(
      arbitraryStart(6, arbitrarySurround),
      arbitraryHandSite.map((hand): Site => bring(handFiles(hand)).site),
    ),
    fc.array(fc.array(fc.constantFrom(...FAULTS), { maxLength: 4 }), { minLength: 1, maxLength: 4 }),
  )
  .map(([start, bodies]) => {
    const pages = [...start.plan.entries.values()].flatMap((one) => (one.kind === 'page' ? [one] : []))
    return bodies.reduce((site, faults, at) => {
      const page = pages[at % pages.length]!
      const value = { ...page.body, html: faults.join('\n') }
      return applyChange(site, { kind: 'setEntry', entry: page.id, field: 'body', value }).site
    }, start)
  })

/** The same with the whole site checked anew after each fix: slow, and in the order in which they are found. */
function fixedOneByOne(site: Site, keys: readonly string[]): Site {
  const tried = new Set<string>()
  for (let now = site; ;) {
    const next = fixable(now).find(({ key }) => keys.includes(key) && !tried.has(key))
    if (!next?.fix) return now
    tried.add(next.key)
    try {
      now = fixed(now, singlesOf(next.fix))
    } catch (error) {
      if (!(error instanceof ChangeRefused)) throw error
    }
  }
}

test('every finding is found again by its rule alone, as the whole check finds it', () => {
  let met = 0
  fc.assert(
    fc.property(arbitraryFaulty, (site) => {
      const checker = new Checker()
      for (const finding of checker.check(site)) {
        if (finding.fix) met++
        expect(checker.again(site, finding)).toEqual(finding)
      }
    }),
    { numRuns: 80 },
  )
  expect(met).toBeGreaterThan(100)
})

test('all that can be fixed is, as it would be one by one, and nothing is left to fix', () => {
  let met = 0
  let numbered = 0
  fc.assert(
    fc.property(arbitraryFaulty, (site) => {
      const found = fixable(site)
      const keys = found.map(({ key }) => key)
      const { changes, count } = fixesOf(site, keys)
      met += count
      const after = fixed(site, changes)
      const isRefused = ({ fix }: (typeof found)[number]) => {
        try {
          fixed(after, singlesOf(fix!))
          return false
        } catch (error) {
          if (error instanceof ChangeRefused) return true
          throw error
        }
      }
      const left = fixable(after).filter((one) => keys.includes(one.key) && !isRefused(one))
      expect(left.map(({ key }) => key)).toEqual([])
      // Where no two judge the same, the order says nothing.
      if (keys.some((key) => /:\d+$/.test(key.replace(/^([^:]*:){2}[^:]*/, '')))) numbered++
      else expect(after.plan).toEqual(fixedOneByOne(site, keys).plan)
      // What was fixed once is fixed.
      expect(
        fixesOf(
          after,
          keys.filter((key) => !left.some((one) => one.key === key)),
        ).count,
      ).toBe(0)
    }),
    { numRuns: 80 },
  )
  expect(met).toBeGreaterThan(100)
  expect(numbered).toBeGreaterThan(5)
})

const withBody = (html: string): Site => {
  const page = { ...newPage('a', 'A', { state: 'ready', body: { html, changed: '' } }), entries: [] }
  return applyChange(newSite('S', 'home'), { kind: 'add', parent: 'home', place: 0, branches: [page] }).site
}

test('of faults that are alike on one page, all are fixed, or the one that is chosen', () => {
  const link = '<a href="www.example.org">x</a>'
  const right = '<a href="https://www.example.org">x</a>'
  const site = withBody(`<p>${link} ${link} ${link}</p>`)
  const keys = fixable(site).map(({ key }) => key)
  expect(keys).toHaveLength(3)
  const bodyAfter = (chosen: readonly string[]) => {
    const entry = fixed(site, fixesOf(site, chosen).changes).plan.entries.get('a')
    return entry?.kind === 'page' && entry.body.html
  }
  expect(bodyAfter(keys)).toBe(`<p>${right} ${right} ${right}</p>`)
  expect(bodyAfter([keys[1]!])).toBe(`<p>${link} ${right} ${link}</p>`)
  expect(bodyAfter([keys[0]!, keys[2]!])).toBe(`<p>${right} ${link} ${right}</p>`)
})

test('each step says how many were gone through, and the work may be left', () => {
  const site = withBody('<p><a href="www.example.org">x</a> <a href="a@example.org">y</a></p>')
  const work = fixesInSteps(
    site,
    fixable(site).map(({ key }) => key),
  )
  expect(work.next().value).toEqual({ done: 1, total: 2 })
  expect(work.next().value).toEqual({ done: 2, total: 2 })
  expect(work.next()).toMatchObject({ done: true, value: { count: 2 } })
  expect(fixesOf(site, [])).toEqual({ changes: [], count: 0 })
})
