import { bring } from '../../existing/bring.ts'
import { createPageWriter } from '../../render/pageWriter.ts'
import { arbitraryHandSite, handFiles } from '../../testing/handMade.ts'
import { attribute, readPage } from '../../testing/readPage.ts'
import { YEAR } from '../../testing/year.ts'
import fc from 'fast-check'
import { addressesOf } from '../../address/addresses.ts'
import { Checker } from '../checker.ts'

const page = (name: string, links: string) => `<!DOCTYPE html>
<html lang="en"><head><title>${name}</title></head>
<body id="top-of-${name}">
<div class="menu"><ul><li><a href="index.html">Home</a></li><li><a href="a.html">A</a></li><li><a href="b.html">B</a></li></ul></div>
<div class="text" id="text"><a name="old-${name}"></a>
<h1>${name}</h1>
<p id="in-${name}">All of ${name}. ${links}</p>
</div>
<div class="foot" id="foot"><p>By hand</p></div>
</body></html>
`
const link = (to: string) => `<a href="${to}">${to}</a>`
const missing = (files: Readonly<Record<string, string>>) => {
  const { site } = bring(
    Object.entries(files).map(([path, text]) => ({ path, bytes: new TextEncoder().encode(text) })),
  )
  return new Checker()
    .check(site)
    .filter(({ rule }) => rule === 'missing-heading')
    .map(({ words }) => /“#([^”]*)”/.exec(words)![1])
}

test('of existing pages, parts around the content are there, too: from a template, or of one page alone', () => {
  const there = [
    'b.html#text',
    'b.html#foot',
    'b.html#in-b',
    'b.html#old-b',
    'b.html#top-of-b',
    'a.html#top',
    '#foot',
  ]
  const files = (links: string) => ({
    'index.html': page('home', ''),
    'a.html': page('a', links),
    'b.html': page('b', ''),
  })
  expect(missing(files(there.map(link).join(' ')))).toEqual([])
  expect(missing(files(['b.html#in-a', '#old-b', 'b.html#no'].map(link).join(' ')))).toEqual([
    'in-a',
    'old-b',
    'no',
  ])
})

// What a browser would find on the pages as they are given out, read apart from how the rule looks for it.
test('of any site made by hand, just those links are found whose part is not on the page that is given out', () => {
  fc.assert(
    fc.property(arbitraryHandSite, (hand) => {
      const { site } = bring(handFiles(hand))
      const renderer = createPageWriter(site, YEAR)
      const { paths } = addressesOf(site)
      const parts = new Map<string, Set<string>>()
      for (const [id, path] of paths) {
        const { elements } = readPage(renderer.shown(id))
        const names = elements.flatMap((one) => [attribute(one, 'id') ?? '', attribute(one, 'name') ?? ''])
        parts.set(path, new Set(['', 'top', ...names]))
      }
      const found = new Checker().check(site).filter(({ rule }) => rule === 'missing-heading')
      for (const { gist, words } of found) {
        const wanted = /“#([^”]*)”/.exec(words)![1]!
        const [, target] = /^entry:([^#]*)/.exec(gist) ?? []
        if (target !== undefined) expect(parts.get(paths.get(target)!)!.has(wanted)).toBe(false)
      }
    }),
    { numRuns: 40 },
  )
})
