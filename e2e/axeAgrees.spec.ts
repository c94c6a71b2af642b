import { piecesOf } from '@viatica/core/plan/surround/surround.ts'
import { Checker } from '@viatica/core/check/checker.ts'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { siteWith, type Site } from '@viatica/core/plan/site.ts'
import type { Look } from '@viatica/core/plan/surround/look.ts'
import { SMALL_PLAN, standingAlone } from './standingAlone.ts'
import { axeFindings, expect, test } from './viatica.ts'

const clean = siteWith({ name: 'Basin' }, SMALL_PLAN)
const body = (html: string): Change => ({
  kind: 'setEntry',
  entry: 'times',
  field: 'body',
  value: { html, changed: '' },
})
const colours = (changed: Partial<Look['colours']>): Change => {
  const { look } = piecesOf(clean.surround)
  return { kind: 'setSurround', field: 'look', value: { ...look, colours: { ...look.colours, ...changed } } }
}
const GOOD = body('<h2>Summer</h2><p>Daily, says <a href="entry:visit">the guide to a visit</a>.</p>')

/** What is damaged, the rule of Viatica that finds it, and the rule of axe-core that does. */
const DAMAGES: readonly (readonly [what: string, change: Change, rule: string, axe: string])[] = [
  [
    'a picture without alternative text',
    body('<p><img src="data:," width="9" height="9"></p>'),
    'no-alternative',
    'image-alt',
  ],
  ['a link without words', body('<p>See <a href="entry:visit"></a></p>'), 'link-says-nothing', 'link-name'],
  ['a skipped level', body('<h2>Summer</h2><h4>June</h4>'), 'skipped-level', 'heading-order'],
  ['an empty heading', body('<h2></h2><p>x</p>'), 'empty-heading', 'empty-heading'],
  ['a second main', body('<main><p>x</p></main>'), 'second-landmark', 'landmark-no-duplicate-main'],
  [
    'a second footer of the page',
    body('<div role="contentinfo"><p>x</p></div>'),
    'second-landmark',
    'landmark-no-duplicate-contentinfo',
  ],
  [
    'a second header of the page',
    body('<div role="banner"><p>x</p></div>'),
    'second-landmark',
    'landmark-no-duplicate-banner',
  ],
  ['a language that is none', body('<p>To <span lang="zz_">autre</span></p>'), 'language-tag', 'valid-lang'],
  [
    'a page that goes on by itself',
    body('<meta http-equiv="refresh" content="60"><p>x</p>'),
    'head-in-content',
    'meta-refresh',
  ],
  ['pale text', colours({ text: '#b5b5b5' }), 'contrast', 'color-contrast'],
  [
    'a pale menu',
    colours({ menuBack: '#17405e', menuText: '#3f6a86', menuVisited: '#3f6a86' }),
    'contrast',
    'color-contrast',
  ],
]

const rulesOn = (site: Site) => new Set(new Checker().check(site).map(({ rule }) => rule))

test('of a page damaged in each way that axe-core knows, Viatica finds what axe-core finds', async ({
  page,
}) => {
  const good = applyChange(clean, GOOD).site
  await page.setContent(standingAlone(good, 'times'))
  expect(await axeFindings(page)).toEqual([])
  const before = rulesOn(good)
  for (const [what, change, rule, axe] of DAMAGES) {
    const site = applyChange(good, change).site
    await page.setContent(standingAlone(site, 'times'))
    const found = new Set((await axeFindings(page)).map((one) => one.replace(/:.*$/s, '')))
    expect([what, before.has(rule), rulesOn(site).has(rule)]).toEqual([what, false, true])
    expect([what, [...found]]).toEqual([what, expect.arrayContaining([axe])])
  }
})
