import fc from 'fast-check'
import { hostileHtml } from '../testing/arbitraryHtml.ts'
import { mentionsIn } from './mentions.ts'

const said = (html: string) => [...mentionsIn(html)].map(({ in: where, text }) => `${where} ${text}`)

// ECMAScript, “String Literals”, “Template Literals” and “Comments”; HTML, “The option element” and “Event handlers”.
test.each<[string, readonly string[]]>([
  ['<option value="a.html">', ['option a.html']],
  ['<option value="red">', []],
  ['<option value="">', []],
  ['<option value="a b.html">', []],
  ['<input value="a.html">', []],
  ['<option value="<?php echo $top ?>a.html"><script>open("<?= $a ?>b.html")</script>', []],
  [
    '<script>open("a.html"); open(\'b/\'); open(`c.html`)</script>',
    ['script a.html', 'script b/', 'script c.html'],
  ],
  ['<script>// "a.html"\n/* "b.html" */ const x = /"c.html"/</script>', []],
  ['<script>open(`a${b}.html`)</script>', []],
  ['<script>const a = "a\\/b.html"</script>', ['script a/b.html']],
  ['<script src="a.js"></script><p>"b.html"</p>', []],
  [
    '<a onclick="go(&quot;a.html&quot;)" href="javascript:open(\'b.html\')">',
    ['script a.html', 'script b.html'],
  ],
  ['<script>const a = "not closed.html', []],
  ['<script>#include "a.html" @', ['script a.html']],
])('%s mentions %j', (html, mentions) => {
  expect(said(html)).toEqual(mentions)
})

test('any HTML is read to its end, and each mention tells where its element or attribute begins', () => {
  const scripts = fc.tuple(hostileHtml, fc.string({ maxLength: 30 }), hostileHtml)
  fc.assert(
    fc.property(scripts, ([before, code, after]) => {
      const html = `${before}<script>${code} open("found.html")</script>${after}<option value=there.html>`
      for (const { at, text } of mentionsIn(html)) {
        expect(at).toBeGreaterThanOrEqual(0)
        expect(html.indexOf(text, at)).toBeGreaterThanOrEqual(at)
      }
    }),
    { numRuns: 500 },
  )
})

test('a long script of many texts takes time in proportion to its length', () => {
  const code = Array.from({ length: 5_000 }, (_, at) => `a("${at}.html")`).join(';')
  expect(said(`<script>${code}</script>`)).toHaveLength(5_000)
})
