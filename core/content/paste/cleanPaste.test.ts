import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { mainContent } from '../../testing/arbitraryContent.ts'
import { hostileHtml } from '../../testing/arbitraryHtml.ts'
import { elementsOf, parseMainContent, textOf } from '../../standard/fragment.ts'
import { cleanPaste } from './cleanPaste.ts'
import { bodyOf, copiedOf, isDocument } from './copied.ts'

const clipboard = (name: string) =>
  readFileSync(new URL(`./clipboards/${name}.html`, import.meta.url), 'utf8')

/** Markup without the layout of its source. */
const flat = (html: string) => html.replace(/\n\s*/g, '')

const TEXT =
  '<p>We are <strong>open</strong> from <em>March</em>. See <a href="https://example.org/times">the times</a>.</p>'
const BULLETS = '<ul><li>Boats<ul><li>Rowing boats</li><li>Canoes</li></ul></li><li>Bicycles</li></ul>'
const NUMBERS = '<ol><li>Ring the bell</li><li>Wait<ol><li>Not long</li></ol></li></ol>'
const row = (tag: string, ...cells: string[]) =>
  `<tr>${cells.map((cell) => `<${tag}>${cell}</${tag}>`).join('')}</tr>`

describe('what programs put on the clipboard', () => {
  test.each(['word', 'webEditor'])('a word processor: %s', (name) => {
    expect(flat(cleanPaste(clipboard(name)))).toBe(
      `<h2>Opening times</h2>${TEXT}${BULLETS}<p>Then:</p>${NUMBERS}<table><tbody>` +
        row('td', '<strong>Day</strong>', '<strong>From</strong>') +
        '<tr><td colspan="2"><p>Monday, 9<sup>30</sup></p><p>Closed on Sunday</p></td></tr></tbody></table>',
    )
  })

  test('an office suite: writer', () => {
    expect(flat(cleanPaste(clipboard('writer')))).toBe(
      `<h1>Opening times</h1>${TEXT}${BULLETS}${NUMBERS}<table><thead>${row('th', 'Day', 'From')}</thead><tbody>` +
        row('td', 'Monday', '9<sup>30</sup>') +
        '<tr><td colspan="2">Closed on Sunday</td></tr></tbody></table>',
    )
  })

  test.each([
    ['spreadsheet', ''],
    ['calc', '2'],
  ])('a spreadsheet: %s', (name, last) => {
    const rows = row('td', 'Lock', 'Fall', 'Chambers') + row('td', 'Mill Lock', '2.1', '1')
    expect(flat(cleanPaste(clipboard(name)))).toBe(
      `<table><tbody>${rows}${row('td', 'Tanyard, upper', '3.4', last)}</tbody></table>`,
    )
  })

  test('lines of a mail, each in a box of its own, become paragraphs', () => {
    expect(cleanPaste('<div>Dear all,</div><div><br></div><div>one<br>two<br><br>three<br></div>Yours')).toBe(
      '<p>Dear all,</p>\n<p>one<br>two</p>\n<p>three</p>\n<p>Yours</p>',
    )
  })

  test('lists whose items stand in lists of their own, with their level, become one', () => {
    const item = (level: number, text: string) =>
      `<div><ul role="list"><li data-aria-level="${level}" role="listitem"><p>${text}</p></li></ul></div>`
    const list = [item(1, 'Boats'), item(2, 'Rowing boats'), item(2, 'Canoes'), item(1, 'Bicycles')].join('')
    expect(flat(cleanPaste(`<div>${list}</div>`))).toBe(BULLETS)
  })

  test('lists that were typed with their signs lose these', () => {
    expect(
      flat(cleanPaste('<p>Bring:</p><p>•\tboots</p><p>•&nbsp;&nbsp;a <b>map</b></p><p>Thanks</p>')),
    ).toBe('<p>Bring:</p><ul><li>boots</li><li>a <strong>map</strong></li></ul><p>Thanks</p>')
    expect(flat(cleanPaste('<p>3. one</p><p>4. two</p><p>2026. A year.</p>'))).toBe(
      '<ol start="3"><li>one</li><li>two</li></ol><p>2026. A year.</p>',
    )
    expect(cleanPaste('<p>– he said</p><p>She left.</p>')).toBe('<p>– he said</p>\n<p>She left.</p>')
  })

  test('a web page loses what runs and what only decorates', () => {
    const web = `<div class="a"><b style="font-weight:normal"><p onclick="x()">See <a href="javascript:x" class="b">this</a> and
      <a href="https://example.org/" target="_blank">that</a></p></b><script>x()</script><img src="data:image/png;base64,AA"></div>
      <table border=1><tr><td style="x" colspan=2>c</td></tr></table>`
    const clean = cleanPaste(web)
    expect(clean).toContain('<p>See this and <a href="https://example.org/">that</a></p>')
    expect(clean).toContain('<td colspan="2">c</td>')
    expect(clean).not.toMatch(/script|style|class|onclick|data:|border|<div|<strong/)
  })

  test('a whole document gives its body', () => {
    const document =
      '<!doctype html>\n<html lang="en"><head><title>T</title></head>\n<body class="x">\n<p>One</p>\n</body></html>\n'
    expect(isDocument(document)).toBe(true)
    expect(isDocument('<p>about <html></p>')).toBe(false)
    expect(bodyOf(document)).toBe('<p>One</p>')
    expect(bodyOf('<html><head></head><p>One</html>')).toBe('<p>One')
    expect(cleanPaste(document)).toBe('<p>One</p>')
    expect(
      copiedOf('<html><body>left<!--StartFragment--><b>x</b><!--EndFragment-->right</body></html>'),
    ).toBe('<b>x</b>')
  })

  test('whatever it is, its words come in once and in order, and nothing that runs or decorates', () => {
    const letters = (html: string) => html.replace(/[\s\u00a0•·-]+/g, '')
    fc.assert(
      fc.property(mainContent, (html) => {
        const clean = parseMainContent(cleanPaste(html))
        const plain = parseMainContent(html)
        for (const { element } of elementsOf(plain))
          if (/^(script|style|svg|iframe)$/.test(element.tagName)) element.childNodes = []
        expect(letters(clean.childNodes.map(textOf).join(''))).toBe(
          letters(plain.childNodes.map(textOf).join('')),
        )
      }),
      { numRuns: 400 },
    )
    fc.assert(
      fc.property(fc.oneof(hostileHtml, mainContent), (html) => {
        const names = [...elementsOf(parseMainContent(cleanPaste(html)))].map(({ element }) => element)
        const isForbidden = (name: string) => /^(on|style$|class$|id$|data-)/.test(name)
        expect(
          names.filter(({ tagName }) => /^(script|style|iframe|div|span|font|svg|form)$/.test(tagName)),
        ).toEqual([])
        expect(names.flatMap(({ attrs }) => attrs).filter(({ name }) => isForbidden(name))).toEqual([])
      }),
      { numRuns: 400 },
    )
  })

  test('what is nested past all sense comes in as text', () => {
    expect(cleanPaste(`${'<div>'.repeat(20_000)}word`)).toContain('word')
  })
})
