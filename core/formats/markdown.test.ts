import { InputFault } from './inputFault.ts'
import { readMarkdown } from './markdown.ts'

test('a first-level heading at the start is the title, the rest is main content', () => {
  expect(readMarkdown('# Lock *guide* & key #\n\nGoing **up**.\n\n## Rules\n\n- one\n- two\n')).toEqual({
    title: 'Lock guide & key',
    html: '<p>Going <strong>up</strong>.</p>\n<h2>Rules</h2>\n<ul>\n<li>one</li>\n<li>two</li>\n</ul>',
  })
  expect(readMarkdown('Text\n\n# Later').title).toBe('')
})

test('a title in the head of the file comes first', () => {
  expect(readMarkdown('---\ntitle: "Hours"\ntags: x\n---\n# Opening hours\ntext')).toEqual({
    title: 'Hours',
    html: '<p>text</p>',
  })
})

test.each([
  ['---\ntitle: >\n  Hours and\n  days\n---\ntext', 'Hours and days'],
  ['---\r\ntitle: Öffnungszeiten # when\r\n---\r\ntext', 'Öffnungszeiten'],
  ['---\ntitle: [a]\n---\n# Heading\ntext', 'Heading'],
  ['---\ntitle: 2026\n---\n# Heading\ntext', 'Heading'],
  // No YAML: a value with a colon must be quoted.
  ['---\ntitle: Locks: all of them\n---\n# Heading\ntext', 'Heading'],
])('the head of a file is read as YAML (1.2, https://yaml.org/spec/1.2.2/): %j', (text, title) => {
  expect(readMarkdown(text)).toEqual({ title, html: '<p>text</p>' })
})

test('lines of hyphens elsewhere are no head', () => {
  expect(readMarkdown('text\n\n---\n\nmore\n\n---\n').html).toBe('<p>text</p>\n<hr>\n<p>more</p>\n<hr>')
  expect(readMarkdown('---\nnever ends').html).toContain('never ends')
})

test('what is no text, or too much of it, is refused', () => {
  expect(() => readMarkdown('a\0b')).toThrow(InputFault)
  expect(() => readMarkdown('\ufffd\ufffd')).toThrow(/not text/)
  expect(() => readMarkdown('x'.repeat(2_000_001))).toThrow(/2 MB/)
})
