import fc from 'fast-check'
import { tokensOf } from '../standard/pageTokens.ts'
import { hostileHtml } from '../testing/arbitraryHtml.ts'
import { sourceReferences, withSourceReferences } from './inSource.ts'

const said = (html: string) => [...sourceReferences(html)].map(({ url }) => url)

// HTML, “Attributes” and “Images”; CSS Values 4, “Resource Locators”; CSS Cascade 4, “Importing Style Sheets”; SVG 2, “Linking”.
test.each<[string, readonly string[]]>([
  ['<a href=x.html>', ['x.html']],
  ['<A HREF = "x.html?a&amp;b">', ['x.html?a&b']],
  ['<a href>', ['']],
  ['<a name="x.html">', []],
  ['<img src="a.png" srcset="a.png, b.png 2x,c,d.png 3x">', ['a.png', 'a.png', 'b.png', 'c,d.png']],
  ['<link imagesrcset="a.png 1x">', ['a.png']],
  ['<img srcset="a.png?x=1&amp;y=2 1x, b.png 2x">', ['a.png?x=1&y=2', 'b.png']],
  [`<p style="background: url(&quot;a.png&quot;), url( b.png )">`, ['a.png', 'b.png']],
  [`<p style='background: url("a.png")'>`, ['a.png']],
  ["<p style=\"background: image-set('a.png' 1x, 'b.png' 2x)\">", ['a.png', 'b.png']],
  ['<style>@import "a.css"; p { background: url(b.png) }</style><p>url(c.png)</p>', ['a.css', 'b.png']],
  ['<style>p { background: url(a.png) }\n</style>url(b.png)', ['a.png']],
  ['<use xlink:href="a.svg#b">', ['a.svg#b']],
  ['<button formaction="a.php">', ['a.php']],
  ['<video poster="a.jpg"><object data="b.pdf"><q cite="c.html">', ['a.jpg', 'b.pdf', 'c.html']],
  ['<meta http-equiv="Refresh" content="0; url=a.html">', ['a.html']],
  [`<meta content="5;URL='a.html'" http-equiv=refresh>`, ['a.html']],
  ['<meta http-equiv="refresh" content="3 a.html">', ['a.html']],
  ['<meta http-equiv="refresh" content="30">', []],
  ['<meta name="description" content="0; url=a.html">', []],
  ['<script>location = "a.html"</script><!-- <a href="b.html"> -->', []],
])('%s names %j', (html, urls) => {
  expect(said(html)).toEqual(urls)
})

test('a reference that is written with escapes of CSS has no place of its own', () => {
  expect(said('<p style="background: url(a\\28 1\\29.png)">')).toEqual([])
})

test('each reference has its place: another one written there is found instead, and the rest stays', () => {
  fc.assert(
    fc.property(hostileHtml, fc.nat(), (html, pick) => {
      const all = [...sourceReferences(html)]
      all.forEach(({ start, end, raw }, at) => {
        expect(html.slice(start, end)).toBe(raw)
        if (at > 0) expect(start).toBeGreaterThanOrEqual(all[at - 1]!.end)
      })
      const one = all[pick % (all.length || 1)]
      if (!one || one.raw === '') return
      const put = html.slice(0, one.start) + 'other' + html.slice(one.end)
      expect(said(put)).toEqual(all.map((other) => (other === one ? 'other' : other.url)))
    }),
    { numRuns: 1000 },
  )
})

test('what is found by its place is what is found by its value', () => {
  fc.assert(
    fc.property(hostileHtml, (html) => {
      const byValue: string[] = []
      withSourceReferences(html, (url) => void byValue.push(url))
      // An empty one in CSS has no place.
      const full = (urls: readonly string[]) => urls.filter((url) => url !== '')
      const placed = full(said(html))
      // Written with escapes, it is found by its value alone.
      if (html.includes('\\')) for (const url of placed) expect(byValue).toContain(url)
      else expect(placed).toEqual(full(byValue))
    }),
    { numRuns: 1000 },
  )
})

test('a long list that is written with character references takes time in proportion to its length', () => {
  const list = Array.from({ length: 20_000 }, (_, at) => `a.png?${at}&amp;b ${at + 1}w`).join(', ')
  expect(tokensOf(`<img srcset="${list}">`)).toHaveLength(1)
  expect(said(`<img srcset="${list}">`)).toHaveLength(20_000)
})
