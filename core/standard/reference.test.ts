import fc from 'fast-check'
import { resolveReference } from './reference.ts'
import { isAllowedTarget, isBaseUrl } from './target.ts'

const BASE = 'http://a/b/c/d;p?q'

/** RFC 3986 section 5.4.1, the whole table. */
const NORMAL: readonly (readonly [string, string])[] = [
  ['g:h', 'g:h'],
  ['g', 'http://a/b/c/g'],
  ['./g', 'http://a/b/c/g'],
  ['g/', 'http://a/b/c/g/'],
  ['/g', 'http://a/g'],
  ['//g', 'http://g'],
  ['?y', 'http://a/b/c/d;p?y'],
  ['g?y', 'http://a/b/c/g?y'],
  ['#s', 'http://a/b/c/d;p?q#s'],
  ['g#s', 'http://a/b/c/g#s'],
  ['g?y#s', 'http://a/b/c/g?y#s'],
  [';x', 'http://a/b/c/;x'],
  ['g;x', 'http://a/b/c/g;x'],
  ['g;x?y#s', 'http://a/b/c/g;x?y#s'],
  ['', 'http://a/b/c/d;p?q'],
  ['.', 'http://a/b/c/'],
  ['./', 'http://a/b/c/'],
  ['..', 'http://a/b/'],
  ['../', 'http://a/b/'],
  ['../g', 'http://a/b/g'],
  ['../..', 'http://a/'],
  ['../../', 'http://a/'],
  ['../../g', 'http://a/g'],
]

/** RFC 3986 section 5.4.2, the whole table; the last line as a strict parser reads it. */
const ABNORMAL: readonly (readonly [string, string])[] = [
  ['../../../g', 'http://a/g'],
  ['../../../../g', 'http://a/g'],
  ['/./g', 'http://a/g'],
  ['/../g', 'http://a/g'],
  ['g.', 'http://a/b/c/g.'],
  ['.g', 'http://a/b/c/.g'],
  ['g..', 'http://a/b/c/g..'],
  ['..g', 'http://a/b/c/..g'],
  ['./../g', 'http://a/b/g'],
  ['./g/.', 'http://a/b/c/g/'],
  ['g/./h', 'http://a/b/c/g/h'],
  ['g/../h', 'http://a/b/c/h'],
  ['g;x=1/./y', 'http://a/b/c/g;x=1/y'],
  ['g;x=1/../y', 'http://a/b/c/y'],
  ['g?y/./x', 'http://a/b/c/g?y/./x'],
  ['g?y/../x', 'http://a/b/c/g?y/../x'],
  ['g#s/./x', 'http://a/b/c/g#s/./x'],
  ['g#s/../x', 'http://a/b/c/g#s/../x'],
  ['http:g', 'http:g'],
]

describe('resolveReference', () => {
  test.each(NORMAL)('RFC 3986 section 5.4.1: %j leads to %s', (reference, target) => {
    expect(resolveReference(BASE, reference)).toBe(target)
  })

  test.each(ABNORMAL)('RFC 3986 section 5.4.2: %j leads to %s', (reference, target) => {
    expect(resolveReference(BASE, reference)).toBe(target)
  })

  test('agrees with the platform’s URL (WHATWG) on relative paths', () => {
    const segment = fc.constantFrom('a', 'b', '.', '..', 'c.html', 'x%20y', '')
    const path = fc.array(segment, { minLength: 1, maxLength: 6 }).map((segments) => segments.join('/'))
    fc.assert(
      fc.property(path, path, (base, reference) => {
        // Two slashes at the start would name a host, which is another matter.
        fc.pre(!reference.startsWith('//'))
        const from = new URL(`http://host/${base}`).href
        expect(resolveReference(from, reference)).toBe(new URL(reference, from).href)
      }),
    )
  })
})

describe('targets of links', () => {
  test.each([
    'https://example.org',
    'http://example.org:8080/a?b#c',
    'mailto:office@example.org',
    'tel:+441234',
    'HTTPS://EXAMPLE.org/',
  ])('%s is allowed', (url) => expect(isAllowedTarget(url)).toBe(true))

  test.each([
    'javascript:alert(1)',
    'data:text/html,x',
    'www.example.org',
    'http://',
    'http:///x',
    'mailto:',
    '#',
    '',
    'https://a b',
    'ftp://example.org',
  ])('%j is not', (url) => expect(isAllowedTarget(url)).toBe(false))

  test('a base URL has a host and neither query nor fragment', () => {
    expect(isBaseUrl('https://example.org/sub/')).toBe(true)
    for (const url of ['https://example.org/?x', 'https://example.org/#x', 'mailto:a@b.c', '/sub/']) {
      expect(isBaseUrl(url)).toBe(false)
    }
  })
})
