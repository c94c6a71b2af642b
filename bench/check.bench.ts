import { fixesInSteps } from '@viatica/core/check/fixes.ts'
import { Checker } from '@viatica/core/check/checker.ts'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import { planOfBranch } from '@viatica/core/plan/branch.ts'
import { walk } from '@viatica/core/plan/plan.ts'
import { type Site, siteWith } from '@viatica/core/plan/site.ts'
import { createPageWriter } from '@viatica/core/render/pageWriter.ts'
import { walkSite } from '@viatica/core/walk/walk.ts'
import { parse } from 'parse5'
import { makeBranch } from './makeBranch.ts'

/**
 * Checks a whole site by all rules, checks it again after one edit, works out the fixes of a fault on each page, and walks
 * over all of its links, beside parsing the same finished pages once with parse5.
 */

const PAGES = 2000
const ROUNDS = 3
/** Of the build: any will do here. */
const YEAR = 2026

function timed(work: () => void): number {
  const start = performance.now()
  work()
  return performance.now() - start
}

const settings = { name: 'Benchmark', layout: 'nested' as const, baseUrl: 'https://example.org/' }
const pageIds = ({ plan }: Site) => [...walk(plan)].map(({ entry }) => entry.id)
const least = { parse: Infinity, check: Infinity, again: Infinity, fix: Infinity, walk: Infinity }
for (let round = 0; round < ROUNDS; round++) {
  // Made anew each time, so that nothing is remembered from the round before.
  const site = siteWith(settings, planOfBranch(makeBranch(PAGES)))
  const renderer = createPageWriter(site, YEAR)
  const pages = [...walk(site.plan)].map(({ entry }) => renderer.page(entry.id))
  const parsing = timed(() => pages.forEach((page) => parse(page)))
  const checker = new Checker()
  const check = timed(() => checker.check(site))
  const body = { html: '<p>New words, and <a href="entry:p3">a link</a>.</p>', changed: '' }
  const edited = applyChange(site, { kind: 'setEntry', entry: 'p1000', field: 'body', value: body }).site
  const again = timed(() => checker.check(edited))
  const faulty = pageIds(site).reduce((now, entry) => {
    const html = `<p>To <a href="www.example.org">the ${entry} of others</a>.</p>`
    return applyChange(now, { kind: 'setEntry', entry, field: 'body', value: { html, changed: '' } }).site
  }, site)
  const keys = new Checker()
    .check(faulty)
    .filter(({ rule }) => rule === 'host-without-scheme')
    .map(({ key }) => key)
  if (keys.length < PAGES) throw new Error('too few findings')
  const fixing = timed(() => {
    for (const { total } of fixesInSteps(faulty, keys))
      if (total > keys.length) throw new Error('too many fixes')
  })
  const walking = timed(() => {
    for (const report of walkSite(site, YEAR)) if (report.pages > PAGES) throw new Error('too many pages')
  })
  least.parse = Math.min(least.parse, parsing)
  least.check = Math.min(least.check, check)
  least.again = Math.min(least.again, again)
  least.fix = Math.min(least.fix, fixing)
  least.walk = Math.min(least.walk, walking)
}

const line = (words: string, ms: number) =>
  console.log(
    `${words.padEnd(44)} ${ms.toFixed(0).padStart(7)} ms  ${(ms / least.parse).toFixed(2).padStart(6)} ×`,
  )
console.log(`${PAGES} pages, the least of ${ROUNDS} rounds`)
line('parsing every finished page once (parse5)', least.parse)
line('all rules, from the start', least.check)
line('all rules, after an edit of one text', least.again)
line(`the fixes of ${PAGES} findings, one a page`, least.fix)
line('a walk over every link of every page', least.walk)
