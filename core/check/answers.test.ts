import fc from 'fast-check'
import { applyChange } from '../plan/change/apply.ts'
import type { PageEntry } from '../plan/entry.ts'
import { newSite } from '../plan/site.ts'
import { mainContent } from '../testing/arbitraryContent.ts'
import { hostileHtml } from '../testing/arbitraryHtml.ts'
import { contrastRatio, nearestReadable } from '../render/style/colour.ts'
import { answering, askedNow } from './answers.ts'
import { Checker } from './checker.ts'

/** A site of one page with a text. */
const siteWithBody = (html: string) =>
  applyChange(newSite('Trust', 'home'), {
    kind: 'setEntry',
    entry: 'home',
    field: 'body',
    value: { html, changed: '' },
  }).site
const errorsOf = (html: string) => {
  const site = siteWithBody(html)
  return { site, asking: new Checker().check(site).filter(({ asks }) => asks !== undefined) }
}
const bodyAfter = (html: string, answer: string) => {
  const { site, asking } = errorsOf(html)
  const change = answering(site, asking[0]!, answer)!
  return (applyChange(site, change).site.plan.entries.get('home') as PageEntry).body.html
}

test.each([
  [
    '<p>See <a class="x" href="entry:gone">the <b>map</b></a>.</p>',
    'entry:home',
    '<p>See <a class="x" href="entry:home">the <b>map</b></a>.</p>',
  ],
  ['<p>See <a class="x" href="entry:gone">the <b>map</b></a>.</p>', '', '<p>See the <b>map</b>.</p>'],
  [
    '<p><a href="#nowhere">x</a></p>',
    'https://example.org/?a=1&b="2"',
    '<p><a href="https://example.org/?a=1&amp;b=&quot;2&quot;">x</a></p>',
  ],
  ['<p><a href="">x</a></p>', 'entry:home', '<p><a href="entry:home">x</a></p>'],
  ['<p><img src="a.png"></p>', 'A "lock"', '<p><img alt="A &quot;lock&quot;" src="a.png"></p>'],
  ['<p><IMG src="a.png"/></p>', '', '<p><IMG alt="" src="a.png"/></p>'],
  ['<p lang="en_GB">x</p>', 'en-GB', '<p lang="en-GB">x</p>'],
  ['<p lang="en_GB">x</p>', '', '<p>x</p>'],
])('%s, answered with “%s”', (html, answer, after) => {
  expect(bodyAfter(html, answer)).toBe(after)
})

test('says what stands there now', () => {
  const { site, asking } = errorsOf('<p><a href="entry:gone">x</a></p>')
  expect(askedNow(site, asking[0]!)).toBe('entry:gone')
})

test('an answer takes its finding away, in any text, and is never refused', () => {
  const answers = fc.constantFrom('entry:home', 'https://example.org/', '', 'A lock & "key" <b>', 'cy')
  fc.assert(
    fc.property(fc.oneof(mainContent, hostileHtml), answers, fc.nat(), (html, answer, choice) => {
      const { site, asking } = errorsOf(html)
      if (asking.length === 0) return
      const found = asking[choice % asking.length]!
      const change = answering(site, found, answer)
      if (!change) return
      const same = (one: { rule: string; gist: string }) => one.rule === found.rule && one.gist === found.gist
      const count = (of: typeof site) => new Checker().check(of).filter(same).length
      // Of several findings alike, one goes; an answer that is wrong itself makes another, of another gist.
      const isSame = askedNow(site, found).trim() === answer.trim()
      if (!isSame) expect(count(applyChange(site, change).site)).toBeLessThan(count(site))
    }),
    { numRuns: 150 },
  )
})

test('the nearest colour that can be read can be read, and is as near as one is', () => {
  const channel = fc.integer({ min: 0, max: 255 }).map((value) => value.toString(16).padStart(2, '0'))
  const colour = fc.tuple(channel, channel, channel).map((parts) => `#${parts.join('')}`)
  fc.assert(
    fc.property(colour, colour, fc.constantFrom(3, 4.5), (one, back, least) => {
      const near = nearestReadable(one, back, least)
      expect(contrastRatio(near, back)).toBeGreaterThanOrEqual(least)
      if (contrastRatio(one, back) >= least) expect(near).toBe(one)
    }),
  )
})
