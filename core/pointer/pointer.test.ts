import fc from 'fast-check'
import { serializeContent, parseMainContent, elementsOf } from '../standard/fragment.ts'
import { hostileHtml } from '../testing/arbitraryHtml.ts'
import { referencesIn } from './attributes.ts'
import { changedReferences, withHtmlReferences } from './inHtml.ts'
import { type Pointer, readPointer, writePointer } from './pointer.ts'

const entry = { to: 'entry', id: 'home', query: '', fragment: '' } as const

// Blanks, line ends, case and queries as https://url.spec.whatwg.org/#concept-basic-url-parser has them.
test.each<[string, Pointer]>([
  ['entry:home', entry],
  [' \n entry:home\t', entry],
  ['ENTRY:Home', entry],
  ['entry:ho\nme', entry],
  ['entry:home#', entry],
  ['entry:home#a%20b', { ...entry, fragment: 'a b' }],
  ['entry:home?lang=de#x', { ...entry, query: 'lang=de', fragment: 'x' }],
  ['entry:home#100%', { ...entry, fragment: '100%' }],
  ['site-file:lock#page=2', { to: 'site-file', id: 'lock', query: '', fragment: 'page=2' }],
])('%j is the pointer %j', (text, pointer) => {
  expect(readPointer(text)).toEqual(pointer)
  expect(readPointer(writePointer(pointer))).toEqual(pointer)
})

test.each([
  '',
  '#x',
  'entry',
  'entry:',
  'entry:a/b',
  'xentry:home',
  'https://entry:80/',
  'mailto:x',
  'entry:a b',
])('%j is none', (text) => {
  expect(readPointer(text)).toBeUndefined()
})

test('a pointer that is written is read as the same, whatever its part and query are', () => {
  const pointers = fc.record({
    to: fc.constantFrom('entry' as const, 'site-file' as const),
    id: fc.stringMatching(/^[a-z0-9-]{1,12}$/),
    query: fc.stringMatching(/^[a-z=&%+]{0,8}$/),
    fragment: fc
      .string({ unit: 'grapheme', maxLength: 12 })
      .filter((text) => !/^[\0-\x20]|[\0-\x20]$/.test(text)),
  })
  fc.assert(
    fc.property(pointers, (pointer) => {
      expect(readPointer(writePointer(pointer))).toEqual(pointer)
    }),
  )
})

const PLACES = `<a href="entry:a">x</a><img srcset="entry:a 1x, site-file:b 2x" src=site-file:b>
  <svg><use xlink:href='site-file:b#icon'></svg><form action="entry:a"><button formaction="entry:a"></button></form>
  <video poster="site-file:b"></video><object data="site-file:b"></object><q cite="entry:a">y</q>
  <div style="background: url(site-file:b) image-set('site-file:b' 1x)"></div><noscript><a href="entry:a">z</a></noscript>
  <style>p { background: url("site-file:b") }</style><template><a href="entry:a"></a></template>`

test('pointers are found and written anew wherever HTML and CSS name something', () => {
  const found: string[] = []
  const moved = withHtmlReferences(PLACES, (url) => {
    found.push(url)
    const pointer = readPointer(url)
    return pointer && writePointer({ ...pointer, id: `${pointer.id}2` })
  })
  expect(found).toHaveLength(15)
  expect(moved).toBe(
    PLACES.replaceAll('entry:a', 'entry:a2')
      .replaceAll('site-file:b', 'site-file:b2')
      .replace('src=site-file:b2', 'src="site-file:b2"')
      .replace(`'site-file:b2#icon'`, `"site-file:b2#icon"`),
  )
})

/** A tree as text, with every reference that is a pointer as its writing. */
function shape(html: string): string {
  const fragment = parseMainContent(html)
  for (const { element } of elementsOf(fragment)) for (const one of element.attrs) referencesIn(one, element)
  return serializeContent(fragment)
}

test('references that stay leave every byte as it is, and changed ones change nothing else, in any HTML', () => {
  fc.assert(
    fc.property(hostileHtml, (html) => {
      expect(withHtmlReferences(html, (url) => url)).toBe(html)
      const there = withHtmlReferences(html, (url) =>
        readPointer(url)?.id === 'home' ? 'entry:there' : undefined,
      )
      const back = withHtmlReferences(there, (url) =>
        readPointer(url)?.id === 'there' ? 'entry:home' : undefined,
      )
      const all = (of: string) => changedReferences(of, () => 'x').length
      expect(all(there)).toBe(all(html))
      // What was one way of writing it is now another.
      const same = withHtmlReferences(html, (url) =>
        readPointer(url)?.id === 'home' ? 'entry:home' : undefined,
      )
      expect(shape(back)).toBe(shape(same))
    }),
    { numRuns: 1000 },
  )
})
