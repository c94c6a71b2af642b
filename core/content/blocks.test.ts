import fc from 'fast-check'
import { mainContent } from '../testing/arbitraryContent.ts'
import { hostileHtml } from '../testing/arbitraryHtml.ts'
import { blocksOf } from './blocks.ts'
import { sameContent } from './visual/sameContent.ts'

const OPEN = [
  '<p>One\n',
  '<p> Two\n\n',
  '<li>a\n',
  '<dt>b\n<dd>c ',
  'bare\n',
  '<!-- c -->\n',
  ' ',
  '<table><tr><td>x\n',
]
const unclosed = fc.array(fc.constantFrom(...OPEN)).map((all) => all.join(''))

test('blocks are the source, one after the other, but for blanks and what has no effect at its end', () => {
  fc.assert(
    fc.property(fc.oneof(mainContent, hostileHtml, unclosed), (html) => {
      const blocks = blocksOf(html)
      if (blocks.length === 0) return
      const joined = blocks.map(({ before, source }) => before + source).join('')
      expect(sameContent(joined + html.slice(html.trimEnd().length), html)).toBe(true)
    }),
    { numRuns: 1000 },
  )
})

test('what an unclosed element of a form goes on with behind the form stays in the last block', () => {
  const html = '<p>a</p>\n<form><put-site-map></form>\n<p>b</p>'
  expect(blocksOf(html).map(({ source }) => source)).toEqual([
    '<p>a</p>',
    '<form><put-site-map></form>\n<p>b</p>',
  ])
})
