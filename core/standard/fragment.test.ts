import fc from 'fast-check'
import { defaultTreeAdapter, html, parse, parseFragment } from 'parse5'
import { hostileHtml } from '../testing/arbitraryHtml.ts'
import { elementsOf, fragmentFault, parseMainContent, placingAdapter } from './fragment.ts'

const tags = [
  'p',
  'div',
  'b',
  'i',
  'a',
  'ul',
  'li',
  'table',
  'tr',
  'td',
  'h2',
  'span',
  'svg',
  'select',
  'template',
]
/** Tags in any order, most of them not closed where they should be. */
const soup = fc
  .array(
    fc
      .tuple(fc.constantFrom(...tags), fc.boolean())
      .map(([tag, opens]) => (opens ? `<${tag}>x` : `</${tag}>`)),
    { minLength: 300, maxLength: 900 },
  )
  .map((parts) => parts.join(''))

function deepest(source: string): number {
  let most = 0
  for (const { depth } of elementsOf(parseMainContent(source))) most = Math.max(most, depth + 1)
  return most
}

test('what is nested too deep is told with its line, wherever it stands', () => {
  const deep = (levels: number) => '<p>x</p>\n'.repeat(300) + '<div>'.repeat(levels) + '</div>'.repeat(levels)
  expect(fragmentFault(deep(256))).toBeUndefined()
  expect(fragmentFault(deep(257))).toBe('Elements are nested more than 256 deep at line 301.')
  expect(fragmentFault('<i>'.repeat(200_000))).toMatch(/nested more than 256 deep/)
})

test('tags in any order are judged by how deep they come to stand', () => {
  fc.assert(
    fc.property(soup, (source) => {
      // What is deep for a moment may be moved by the parser; but what is deep in the end was deep then.
      if (deepest(source) > 256) expect(fragmentFault(source)).toMatch(/deep|left open/)
      else if (deepest(source) < 120) expect(fragmentFault(source) ?? '').not.toMatch(/deep/)
    }),
  )
})

test('a long text of many short elements is accepted', () => {
  expect(fragmentFault('<table>' + '<tr><td>1<td><b>2</b>'.repeat(20_000) + '</table>')).toBeUndefined()
  expect(fragmentFault('<p>A line <b>in bold</b>.</p>\n'.repeat(30_000))).toBeUndefined()
})

// https://html.spec.whatwg.org/multipage/parsing.html#reconstruct-the-active-formatting-elements
test.each([
  [
    'many left open before many paragraphs',
    '<p>' + Array.from({ length: 200 }, (_, n) => `<b id=b${n}>`).join('') + '<p>x'.repeat(8000),
  ],
  [
    'one with a long attribute before many paragraphs',
    `<p><b title="${'x'.repeat(20_000)}">` + '<p>x'.repeat(5000),
  ],
])('formatting elements that make far too large a page are refused: %s', (_, source) => {
  expect(fragmentFault(source)).toMatch(/left open/)
})

test('places are those that the parser gives with an adapter of its own', () => {
  const main = () => defaultTreeAdapter.createElement('main', html.NS.HTML, [])
  const options = { sourceCodeLocationInfo: true, scriptingEnabled: false }
  fc.assert(
    fc.property(fc.oneof(hostileHtml, soup), (source) => {
      expect(parseMainContent(source, true)).toEqual(parseFragment(main(), source, options))
      expect(parse(source, { ...options, treeAdapter: placingAdapter })).toEqual(parse(source, options))
    }),
  )
})
