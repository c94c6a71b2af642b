import { answering } from '@viatica/core/check/answers.ts'
import { Checker } from '@viatica/core/check/checker.ts'
import { GROUPS, type RuleGroup } from '@viatica/core/check/rule.ts'
import { ruleOf } from '@viatica/core/check/rules.ts'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { wordsOfSite } from '@viatica/core/spelling/spelling.ts'
import { dictionaryOf } from '@viatica/core/testing/dictionary.ts'
import { loadDamagedDemo, loadDemo } from './load.ts'

const dictionary = await dictionaryOf('en-gb')

function findings(site: Site) {
  const unknown = new Set([...wordsOfSite(site)].filter((word) => !dictionary.testSpelling(word)))
  return new Checker().check(site, unknown)
}

test('the demo has no fault; one warning is left to the author', () => {
  expect(findings(loadDemo().site).map(({ rule }) => [ruleOf(rule).severity, rule])).toEqual([
    ['warning', 'skipped-in-order'],
  ])
})

const { site } = loadDamagedDemo()
const rulesOf = (group: RuleGroup) =>
  new Set(damage.filter(({ rule }) => ruleOf(rule).group === group).map(({ rule }) => rule))
const damage = findings(site)

test('the damaged demo has about nine pages', () => {
  expect(site.plan.entries.size).toBe(9)
})

test.each(GROUPS)('the damaged demo shows at least one finding about %s', (group) => {
  expect(rulesOf(group).size).toBeGreaterThan(0)
})

test('what was damaged on purpose is found, each in its place', () => {
  const found = damage.map(({ rule, place }) => `${rule} ${'entry' in place ? place.entry : place.in}`)
  expect(found).toEqual(
    expect.arrayContaining([
      ...['file-name-style waiting', 'dead-link plots', 'missing-heading news', 'no-such-file contact'],
      ...['empty-target prices', 'host-without-scheme home', 'mail-without-scheme waiting'],
      ...['scheme-not-allowed open-day', 'link-says-nothing home', 'orphan shed', 'lone-page news'],
      ...['piece piece', 'mark-in-content plots', 'mark-in-piece piece', 'copied-surround plots'],
      ...['own-styles news', 'same-title plots', 'same-title prices', 'heading-and-title open-day'],
      ...['several-first rules', 'skipped-level home', 'no-description open-day', 'same-description prices'],
      ...['not-closed waiting', 'double-id waiting', 'no-alternative home', 'no-size home'],
      ...['language-tag contact', 'left-in prices', 'misspelt open-day', 'contrast look', 'same-states look'],
      'second-landmark contact',
    ]),
  )
})

test('every error of the damaged demo has a fix, or asks for the one thing that it needs', () => {
  const ERRORS = (now: Site) => findings(now).filter(({ rule }) => ruleOf(rule).severity === 'error')
  const left = ERRORS(site).filter(({ fix, asks }) => !fix && !asks)
  expect(left.map(({ words }) => words)).toEqual([])
  // One after the other, until none is left.
  const ANSWERS = { target: 'entry:home', alternative: 'A shed', language: 'cy', title: 'The plots' }
  let now = site
  let steps = 0
  for (let [next] = ERRORS(now); next && steps < 40; [next] = ERRORS(now), steps++)
    now = applyChange(now, next.fix ?? answering(now, next, ANSWERS[next.asks!])!).site
  expect(ERRORS(now)).toEqual([])
  expect(steps).toBeLessThanOrEqual(ERRORS(site).length)
})
