import fc from 'fast-check'
import { readOpml } from '../formats/opml.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { Site } from '../plan/site.ts'
import { fragmentFault } from '../standard/fragment.ts'
import { attribute, isInside, readPage, textOf } from '../testing/readPage.ts'
import { compileBody } from './body.ts'
import { createPageWriter } from './pageWriter.ts'
import { YEAR } from '../testing/year.ts'

const site: Site = {
  ...readOpml(`<opml version="2.0"><head><title>Trust</title></head><body><outline text="Home">
    <outline text="Visit"><outline text="Times"/></outline><outline text="Later"/></outline></body></opml>`),
}
const base = applyChange(site, {
  kind: 'batch',
  changes: [
    { kind: 'setSite', field: 'layout', value: 'nested' },
    { kind: 'setEntry', entry: 'later', field: 'state', value: 'planned' },
    {
      kind: 'addFile',
      file: { id: 'lock', path: 'pictures/lock.svg', content: 'k', size: 1, alt: 'A lock' },
    },
  ],
}).site

function pageWith(html: string): string {
  const value = { html, changed: '' }
  return createPageWriter(
    applyChange(base, { kind: 'setEntry', entry: 'times', field: 'body', value }).site,
    YEAR,
  ).page('times')
}

const mainOf = (html: string) =>
  html.slice(html.indexOf('<main'), html.indexOf('</main>')).split('\n').slice(2, -1).join('\n')

describe('main content', () => {
  /** Ways to leave main that the parsing rules of HTML offer; each must leave the footer where it is. */
  const ESCAPES = [
    '<div><p>open',
    '<b><i>misnested</b></i>',
    '</main></body></html><p>after',
    '<html><body onload="x()"><p>own document</p></body></html>',
    '<!-- never closed',
    '<script>var open = "',
    '<script><!--<script>',
    '<style>p { color: red',
    '<textarea><title>',
    '<plaintext>the rest',
    '<table><tr><td>cell<form><div>',
    '<select><option>one<div>two',
    '<svg><title><p>',
    '<svg></p><foreignObject><div></main>',
    '<math><mtext><table><mglyph><style><!--</style><img src="</main>">',
    '<noscript></main><footer></noscript>',
    '<noscript><!-- </noscript></main> -->',
    '<template><p>inside',
    '<iframe><p>',
    '<a href="x">open <a href="y">again',
    '<button><button>',
    '<xmp></main>',
    '<form><form></form></main>',
    '<p title="never closed',
    '<![CDATA[ x ]]> <?php echo 1 ?>',
    '<frameset><frame>',
  ]

  test.each(ESCAPES)('%j stays inside main', (html) => {
    const read = readPage(pageWith(html))
    expect(read.outline.filter((name) => name !== 'script')).toEqual([
      'a',
      'header',
      'div',
      'main',
      'div',
      'footer',
    ])
    const footer = read.all('footer').find((element) => attribute(element, 'class') === 'site-footer')!
    expect(isInside(footer, 'main')).toBe(false)
    expect(textOf(footer).trim()).toBe('© 2026 Trust')
  })

  test('any mixture of tags stays inside main', () => {
    const tag = fc.constantFrom(
      'div',
      'p',
      'b',
      'a',
      'table',
      'tr',
      'td',
      'ul',
      'li',
      'svg',
      'math',
      'mi',
      'form',
      'select',
      'option',
      'main',
      'h1',
      'pre',
      'template',
      'noscript',
      'button',
      'style',
      'title',
    )
    const piece = fc.oneof(
      tag.map((name) => `<${name}>`),
      tag.map((name) => `</${name}>`),
      fc.constantFrom('text', '<!--', '-->', '&amp;', '\n', '<br>'),
    )
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 14 }), (pieces) => {
        expect(readPage(pageWith(pieces.join(''))).outline).toEqual([
          'a',
          'header',
          'div',
          'main',
          'div',
          'footer',
        ])
      }),
      { numRuns: 400 },
    )
  })

  test('well-formed content comes out as it went in, indented', () => {
    expect(mainOf(pageWith('<p>One &amp; two<br>three</p>\n<ul>\n<li>a</li>\n<li>b</li>\n</ul>\n'))).toBe(
      ['<p>One &amp; two<br>three</p>', '<ul>', '  <li>a</li>', '  <li>b</li>', '</ul>']
        .map((line) => `      ${line}`)
        .join('\n'),
    )
  })

  test('white space in pre, textarea and script is left alone', () => {
    const verbatim = '<pre>\n\n  two\n    four</pre>'
    expect(pageWith(verbatim)).toContain('<pre>\n\n  two\n    four</pre>')
    expect(pageWith('<script>\nif (a < b) {\n  go()\n}\n</script>')).toContain(
      '<script>\nif (a < b) {\n  go()\n}\n</script>',
    )
  })

  test('links by id are written for the page they stand on, in the layout there is', () => {
    const main = mainOf(
      pageWith(
        '<p><a href="entry:visit#top">a</a> <a href="entry:times">b</a> <img src="site-file:lock" alt=""></p>',
      ),
    )
    expect(main).toContain(
      '<a href="../visit.html#top">a</a> <a href="times.html">b</a> <img src="../pictures/lock.svg" alt="">',
    )
  })

  test('a link to what is not there or planned keeps its text and loses its target', () => {
    expect(mainOf(pageWith('<a href="entry:gone" class="x">a</a><a href="entry:later">b</a>'))).toBe(
      '      <a class="x">a</a><a>b</a>',
    )
  })

  test('the words of a link by id in plain text are left alone', () => {
    const html = '<p>Write <code>&lt;a href="entry:visit"&gt;</code> &amp; see.</p>'
    expect(pageWith(html)).toContain('<code>&lt;a href="entry:visit"&gt;</code> &amp; see.')
  })

  test('the marks of our own slots cannot be smuggled in', () => {
    const { between } = compileBody({ html: '<a href="&#1;0&#1;">x</a> &#1; href="&#1;0&#1;"', changed: '' })
    expect(between).toHaveLength(0)
    expect(pageWith('<a href="&#1;0&#1;">x</a>')).toContain('<a href="0">x</a>')
  })

  test('content that is nested beyond reason is refused with the line', () => {
    expect(fragmentFault(`<p>one</p>\n${'<div>'.repeat(300)}`)).toMatch(/line 2/)
    expect(fragmentFault('<div>'.repeat(200))).toBeUndefined()
    expect(fragmentFault('<br>'.repeat(5000))).toBeUndefined()
  })
})
