import { createHmac } from 'node:crypto'
import fc from 'fast-check'
import { escapeAttribute } from '../standard/escape.ts'
import { type FilePass, signedPath, withSignedFiles, withSignedStyle } from './filePass.ts'

const pass: FilePass = { id: 'lk3.00ff.', key: 'the key of the pass' }
const signed = (path: string) =>
  // Node's own implementation of HMAC.
  `pass=lk3.00ff..${createHmac('sha256', pass.key).update(path).digest('hex').slice(0, 32)}`
const here = { path: 'walks/locks.html', top: '/preview/trust/' }

test('signs with HMAC-SHA-256: RFC 4231, test case 2', () => {
  const of = signedPath({ id: 'x', key: 'Jefe' }, 'what do ya want for nothing?')
  expect(of).toBe('x.5bdcc146bf60754e6a042426089575c7')
})

test.each([
  ['<img src="a.png">', `<img src="a.png?${signed('walks/a.png')}">`],
  ['<img src=../p/a%20b.png?v=1#x>', `<img src="../p/a%20b.png?v=1&amp;${signed('p/a b.png')}#x">`],
  [
    '<link rel=stylesheet href="/preview/trust/s.css">',
    `<link rel=stylesheet href="/preview/trust/s.css?${signed('s.css')}">`,
  ],
  ['<p style="background:url(b.gif)">', `<p style="background:url(b.gif?${signed('walks/b.gif')})">`],
  [
    '<style>p{background:url("b.gif")}</style>',
    `<style>p{background:url("b.gif?${signed('walks/b.gif')}")}</style>`,
  ],
  ['<svg><use href="i.svg#n"/></svg>', `<svg><use href="i.svg?${signed('walks/i.svg')}#n"/></svg>`],
  [
    '<video poster=v.jpg><source src=v.webm>',
    `<video poster="v.jpg?${signed('walks/v.jpg')}"><source src="v.webm?${signed('walks/v.webm')}">`,
  ],
  ['<script src="m.js"></script>', `<script src="m.js?${signed('walks/m.js')}"></script>`],
  [
    '<noscript><img src="n.gif"></noscript>',
    `<noscript><img src="n.gif?${signed('walks/n.gif')}"></noscript>`,
  ],
  ['<table background="t.gif">', `<table background="t.gif?${signed('walks/t.gif')}">`],
])('signs what a page loads: %s', (html, expected) => {
  expect(withSignedFiles(html, pass, here)).toBe(expected)
})

test('signs each source of a picture', () => {
  const html = '<img srcset="a.png 1x, b.png 2x">'
  expect(withSignedFiles(html, pass, here)).toBe(
    `<img srcset="a.png?${signed('walks/a.png')} 1x, b.png?${signed('walks/b.png')} 2x">`,
  )
})

test.each([
  '<a href="other.html">',
  '<form action="send.php">',
  '<img src="https://example.org/a.png">',
  '<img src="//example.org/preview/trust/a.png">',
  '<img src="/preview/other/a.png">',
  '<img src="../../../api/sites">',
  '<img src="../../other/a.png">',
  '<img src="data:image/gif;base64,R0lGOD">',
  '<img src="">',
  '<img src="#part">',
  '<img src="%zz.png">',
  '<svg><a href="other.html"/></svg>',
  '<!-- <img src="a.png"> -->',
])('leaves alone what is a link, elsewhere, or nothing: %s', (html) => {
  expect(withSignedFiles(html, pass, here)).toBe(html)
})

test('signs the files of a style sheet, imported ones too', () => {
  const css = '@import "base.css"; @font-face { src: url(../f/x.woff2) } p { content: "a.png" }'
  expect(withSignedStyle(css, pass, { path: 'css/s.css', top: '/preview/trust~ab1/' })).toBe(
    `@import "base.css?${signed('css/base.css')}"; @font-face { src: url(../f/x.woff2?${signed('f/x.woff2')}) } p { content: "a.png" }`,
  )
})

test('whatever a reference is, its signature is that of the file a browser would request, and no other file is signed', () => {
  const piece = fc.oneof(
    fc.constantFrom(
      '..',
      '.',
      'a',
      'b c',
      'ü',
      '%41',
      '%2e%2e',
      '\\',
      '?',
      '#',
      '&amp',
      '"',
      "'",
      '<',
      ' ',
      '\t',
      'x.png',
    ),
    fc.string({ maxLength: 3 }),
  )
  const reference = fc.array(piece, { maxLength: 6 }).map((parts) => parts.join('/'))
  fc.assert(
    fc.property(reference, fc.constantFrom('index.html', 'a/b.html', 'ü/ö x.html'), (src, path) => {
      const html = `<img src="${escapeAttribute(src)}">`
      const out = withSignedFiles(html, pass, { path, top: here.top })
      const where = new URL(
        `http://preview.invalid${here.top}${path.split('/').map(encodeURIComponent).join('/')}`,
      )
      const written = /src="([^"]*)"/
        .exec(out)![1]!
        .replaceAll('&amp;', '&')
        .replaceAll('&quot;', '"')
        .replaceAll('&lt;', '<')
        .replaceAll('&gt;', '>')
      const before = URL.parse(src, where)
      const after = URL.parse(written, where)
      const given = after?.searchParams.get('pass') ?? null
      if (given === null) {
        const isElsewhere = before?.origin !== where.origin || !before.pathname.startsWith(here.top)
        // eslint-disable-next-line no-control-regex -- what browsers strip from an address
        const isHere = /^[\u0000-\u0020]*(#|$)/.test(src)
        const isMalformed = before !== null && /%(?![\da-f]{2})/i.test(before.pathname)
        expect(isMalformed || isElsewhere || isHere || before.pathname === here.top).toBe(true)
        return
      }
      expect(after!.pathname).toBe(before!.pathname)
      expect(after!.origin).toBe(where.origin)
      expect(after!.pathname.startsWith(here.top)).toBe(true)
      const file = decodeURIComponent(after!.pathname.slice(here.top.length))
      expect(`pass=${given}`).toBe(signed(file))
    }),
    { numRuns: 500 },
  )
})
