import fc from 'fast-check'
import { applyChange } from '../plan/change/apply.ts'
import type { Piece } from '../plan/surround/piece.ts'
import type { Site } from '../plan/site.ts'
import { readOpml } from '../formats/opml.ts'
import { createPageWriter } from '../render/pageWriter.ts'
import { htmlFaults as validated } from '../testing/htmlValidator.ts'
import { YEAR } from '../testing/year.ts'
import { followHeadings, renamedHeadingIds } from './followHeadings.ts'
import { freeHeadingId, headingsOf, shiftHeadings, withHeadingId } from './headings.ts'
import { htmlFaults } from './htmlFaults.ts'
import { keepSource } from './keepSource.ts'
import { linksInto, whereItLeads } from './linksOfPage.ts'
import { rewritten } from '../pointer/inHtml.ts'
import { ownLinksIn, pointerFor } from './ownLinks.ts'

const site = ((): Site => {
  const plan = readOpml(`<opml version="2.0"><head><title>Trust</title></head><body><outline text="Home">
    <outline text="Visit"><outline text="Times"/><outline text="Access &amp; parking"/></outline></outline></body></opml>`)
  return applyChange(plan, {
    kind: 'batch',
    changes: [
      { kind: 'setSite', field: 'layout', value: 'nested' },
      { kind: 'setSite', field: 'baseUrl', value: 'https://example.org/canal/' },
      { kind: 'addFile', file: { id: 'lock', path: 'pictures/lock 1.svg', content: 'k', size: 1, alt: '' } },
    ],
  }).site
})()
const withBody = (from: Site, entry: string, html: string) =>
  applyChange(from, { kind: 'setEntry', entry, field: 'body', value: { html, changed: '' } }).site

describe('faults of a source', () => {
  test.each([
    ['<p>One<p>Two', []],
    ['<div>\n<b>x</b>', ['1 <div> is not closed']],
    ['<p>a</p>\n</section>', ['2 </section> closes what is not open there']],
    ['<p id=a>1</p><p id=a>2</p>', ['1 the id “a” is used twice']],
    ['<img src=x>', ['1 a picture without alternative text']],
    ['<img src="site-file:lock">', []],
    ['<p>a < b</p>', ['1 a “<” that begins no tag must be written “&lt;”']],
    ['<a href="x"title="y">z</a>', ['1 a space is missing between two attributes']],
    ['<p a="1" a="2">', ['1 an attribute stands twice']],
    ['<div/>', ['1 <div> is not closed', '1 this element must be closed by an end tag']],
  ])('%j', (source, expected) => {
    expect(
      htmlFaults(source)
        .map(({ line, what }) => `${line} ${what}`)
        .sort(),
    ).toEqual(expected)
  })

  // The codes of https://html.spec.whatwg.org/multipage/parsing.html#parse-errors that can stand in main content; the
  // sources are made after the standard's descriptions, from memory.
  test.each([
    ['abrupt-closing-of-empty-comment', '<p>a</p><!-->'],
    ['absence-of-digits-in-numeric-character-reference', '<p>a &#qux;</p>'],
    ['cdata-in-html-content', '<p><![CDATA[x]]></p>'],
    ['character-reference-outside-unicode-range', '<p>&#x110000;</p>'],
    ['control-character-in-input-stream', '<p>a\u0001</p>'],
    ['control-character-reference', '<p>&#x81;</p>'],
    ['duplicate-attribute', '<p id="a" id="b">x</p>'],
    ['end-tag-with-attributes', '<p>x</p id="a">'],
    ['end-tag-with-trailing-solidus', '<p>x</p/>'],
    ['eof-before-tag-name', '<p>x</p><'],
    ['eof-in-cdata', '<svg><![CDATA[x'],
    ['eof-in-comment', '<p>x</p><!-- y'],
    ['eof-in-script-html-comment-like-text', '<script><!-- x'],
    ['eof-in-tag', '<p>x</p><p class="a'],
    ['incorrectly-closed-comment', '<p>x</p><!-- y --!>'],
    ['incorrectly-opened-comment', '<p>x</p><! y>'],
    ['invalid-first-character-of-tag-name', '<p>1 <2</p>'],
    ['missing-attribute-value', '<p id=>x</p>'],
    ['missing-end-tag-name', '<p>x</p></>'],
    ['missing-semicolon-after-character-reference', '<p>&amp x</p>'],
    ['missing-whitespace-between-attributes', '<p id="a"class="b">x</p>'],
    ['nested-comment', '<p>x</p><!-- <!-- y --> '],
    ['noncharacter-character-reference', '<p>&#xFFFE;</p>'],
    ['noncharacter-in-input-stream', '<p>\uFFFE</p>'],
    ['non-void-html-element-start-tag-with-trailing-solidus', '<div/></div>'],
    ['null-character-reference', '<p>&#0;</p>'],
    ['surrogate-character-reference', '<p>&#xD800;</p>'],
    ['unexpected-character-in-attribute-name', '<p a"b="c">x</p>'],
    ['unexpected-character-in-unquoted-attribute-value', '<p id=a"b>x</p>'],
    ['unexpected-equals-sign-before-attribute-name', '<p ="a">x</p>'],
    ['unexpected-null-character', '<p>a\u0000</p>'],
    ['unexpected-question-mark-instead-of-tag-name', '<p>x</p><?y ?>'],
    ['unexpected-solidus-in-tag', '<p / id="a">x</p>'],
    ['unknown-named-character-reference', '<p>&nosuch;</p>'],
  ])('the error %s of the standard is found, with its line', (code, source) => {
    const found = htmlFaults(`<p>before</p>\n${source}`).filter(({ kind }) => kind === 'markup')
    expect(found.map((fault) => fault.code)).toContain(code)
    for (const { line, what } of found)
      expect([line, what]).toEqual([2, expect.stringMatching(/^[a-z].*[a-z”]$/)])
    // A near case: the same words, well-formed.
    expect(htmlFaults('<p>before</p>\n<p id="a" class="b">x &amp; y</p>')).toEqual([])
  })

  test('stand where they are', () => {
    const source = '<p>good</p>\n<div class="x">open'
    const [fault] = htmlFaults(source)
    expect(source.slice(fault!.start, fault!.end)).toBe('<div class="x">')
  })

  test('what is clean here is clean for html-validate, and the other way round', async () => {
    const page = (html: string) => createPageWriter(withBody(site, 'visit', html), YEAR).page('visit')
    for (const html of [
      '<p>x</p>',
      '<ul><li>a</li></ul>',
      '<figure><img src="site-file:lock" alt="A lock"></figure>',
    ]) {
      expect(htmlFaults(html)).toEqual([])
      expect(await validated(page(html))).toEqual([])
    }
    const double = '<p id="a">x</p><p id="a">y</p>'
    expect(htmlFaults(double)).toHaveLength(1)
    expect((await validated(page(double))).join()).toMatch(/no-dup-id/)
  })
})

describe('headings', () => {
  const HTML = '<h2>One</h2><p>x</p><h4 id="two">Two <em>b</em></h4><h3></h3><h2>Three</h2>'

  test('with what is wrong with how they follow one another', () => {
    expect(headingsOf(HTML).map(({ level, text, id, warning }) => [level, text, id, warning])).toEqual([
      [2, 'One', '', undefined],
      [4, 'Two b', 'two', 'skips a level'],
      [3, '', '', 'empty'],
      [2, 'Three', '', undefined],
    ])
    expect(headingsOf('<h1>a</h1><h1>b</h1>').map(({ warning }) => warning)).toEqual([
      undefined,
      'first level again',
    ])
  })

  test('are promoted and demoted together, and nothing else changes', () => {
    expect(shiftHeadings(HTML, 1, 2, -1)).toBe(
      HTML.replaceAll('h3>', 'h2>').replace('<h4', '<h3').replace('</h4', '</h3'),
    )
    const there = shiftHeadings(HTML, 0, 3, 1)
    expect(headingsOf(there).map(({ level }) => level)).toEqual([3, 5, 4, 3])
    expect(shiftHeadings(there, 0, 3, -1)).toBe(HTML)
    expect(headingsOf(shiftHeadings('<h6>a</h6>', 0, 0, 1))[0]!.level).toBe(6)
    expect(headingsOf(shiftHeadings('<H2>a</H2 >', 0, 0, -1))[0]!.level).toBe(2)
  })

  test('get an id that is free', () => {
    expect(freeHeadingId('<p id="one">', 'one')).toBe('one-2')
    expect(withHeadingId(HTML, 3, 'three')).toBe(HTML.replace('<h2>Three', '<h2 id="three">Three'))
  })

  test('whose id is renamed are followed by the links of other pages and of the plan', () => {
    const before = '<h2 id="winter">Winter</h2><h2 id="summer">Summer</h2>'
    const after = '<h2 id="cold">Winter</h2><h2 id="summer">Summer</h2>'
    const renamed = renamedHeadingIds(before, after)
    expect([...renamed]).toEqual([['winter', 'cold']])
    let now = withBody(site, 'times', before)
    now = withBody(now, 'visit', '<a href="entry:times#winter">a</a> <a href="entry:times#summer">b</a>')
    const changes = followHeadings(now, 'times', renamed)
    const { site: moved } = applyChange(now, { kind: 'batch', changes })
    expect(createPageWriter(moved, YEAR).page('visit')).toMatch(
      /times\.html#cold">a<\/a> <a href="[^"]*times\.html#summer"/,
    )
    expect(changes).toHaveLength(1)
    // The text changed and the id with it: told by its place.
    expect([...renamedHeadingIds(before, after.replace('>Winter', '>Cold days'))]).toEqual([
      ['winter', 'cold'],
    ])
    expect(renamedHeadingIds(before, '<h2 id="summer">Summer</h2>').size).toBe(0)
  })

  test('whose id is renamed are those with their text, else at their place, each new id going to one', () => {
    const heading: fc.Arbitrary<[string, string]> = fc.tuple(
      fc.constantFrom('', 'a', 'b', 'c', 'd', 'e'),
      fc.constantFrom('', 'One', 'Two'),
    )
    const headings = fc.array(heading, { maxLength: 9 })
    const html = (all: readonly (readonly [string, string])[]) =>
      all.map(([id, text]) => `<h2${id && ` id="${id}"`}>${text}</h2>`).join('')
    fc.assert(
      fc.property(headings, headings, (was, is) => {
        const before = new Set(was.map(([id]) => id))
        const taken = new Set<string>()
        const expected = new Map<string, string>()
        for (const [at, [id, text]] of was.entries()) {
          if (id === '' || is.some(([other]) => other === id)) continue
          const isFree = ([other]: readonly [string, string]) =>
            other !== '' && !before.has(other) && !taken.has(other)
          const there = was.length === is.length && isFree(is[at]!) ? is[at] : undefined
          const next = is.find((one) => text !== '' && one[1] === text && isFree(one)) ?? there
          if (!next) continue
          expected.set(id, next[0])
          taken.add(next[0])
        }
        expect([...renamedHeadingIds(html(was), html(is))]).toEqual([...expected])
      }),
      { numRuns: 300 },
    )
  })

  test('whose id is renamed are followed by what the author picked, wrote in a piece, and leads on from', () => {
    const to = (fragment: string) => ({ to: 'entry' as const, entry: 'times', fragment })
    const links = ['winter', 'summer'].map((part) => ({
      ...{ id: part, label: part, target: to(part), isButton: false },
    }))
    const html = '<a href="entry:times#winter">w</a> <a href="entry:visit#winter">v</a>'
    const { site: now } = applyChange(site, {
      kind: 'batch',
      changes: [
        { kind: 'addMenu', at: 0, menu: { id: 'm', kind: 'picked', name: 'M', links } },
        ...(
          [
            { id: 'l', kind: 'links', beside: false, label: 'L', links },
            {
              id: 'c',
              kind: 'columns',
              beside: false,
              label: 'C',
              columns: [{ id: 'o', heading: 'O', links }],
            },
            { id: 'h', kind: 'html', beside: false, html },
          ] satisfies Piece[]
        ).map((piece) => ({ kind: 'addPiece' as const, place: 'footer' as const, at: 0, piece })),
        { kind: 'setSite', field: 'redirects', value: [{ from: 'cold', to: to('winter') }] },
      ],
    })
    const changes = followHeadings(now, 'times', new Map([['winter', 'cold']]))
    const { site: after } = applyChange(now, { kind: 'batch', changes })
    const pointers = JSON.stringify([after.surround, after.settings.redirects])
    expect(pointers.match(/"times","fragment":"winter"|entry:times#winter/g)).toBeNull()
    expect(pointers.match(/"times","fragment":"cold"|entry:times#cold/g)).toHaveLength(5)
    expect(pointers.match(/"times","fragment":"summer"|entry:visit#winter/g)).toHaveLength(4)
    expect(followHeadings(after, 'times', new Map([['winter', 'cold']]))).toEqual([])
  })
})

describe('links that an author types', () => {
  test.each([
    ['visit.html', 'entry:visit'],
    ['./visit.html#how', 'entry:visit#how'],
    ['visit/access-parking.html', 'entry:access-parking'],
    ['/canal/visit/times.html', 'entry:times'],
    ['https://example.org/canal/visit.html', 'entry:visit'],
    ['pictures/lock%201.svg', 'site-file:lock'],
    ['VISIT.html', 'entry:visit'],
    ['https://example.org/other/visit.html', undefined],
    ['gone.html', undefined],
    ['visit.html?all', 'entry:visit?all'],
    ['#part', undefined],
    ['mailto:a@example.org', undefined],
    ['entry:visit', undefined],
  ])('%s', (typed, expected) => {
    expect(pointerFor(site, 'home', typed)).toBe(expected)
  })

  // RFC 3986, section 5.2, by way of the platform's URL: what a link leads to does not change.
  test('lead to the same address when they have become pointers', () => {
    const html =
      '<a href="../pictures/lock%201.svg">p</a><a href="times.html#y">t</a> <a href="../index.html">h</a>'
    const links = ownLinksIn(site, 'times', html)
    const pointed = rewritten(html, links)
    expect(pointed).toContain('entry:times#y')
    const page = createPageWriter(withBody(site, 'times', pointed), YEAR).page('times')
    const at = 'https://example.org/canal/visit/times.html'
    const hrefs = [...page.matchAll(/<a href="([^"]*)">[pth]</g)].map(([, href]) => new URL(href!, at).href)
    expect(hrefs).toEqual([
      new URL('../pictures/lock%201.svg', at).href,
      new URL('times.html#y', at).href,
      new URL('../index.html', at).href,
    ])
    expect(ownLinksIn(site, 'times', pointed)).toEqual([])
  })

  test('a page lists the links that come in, and a pointer says where it leads', () => {
    const now = withBody(site, 'visit', '<a href="entry:times#a">1</a><a href="entry:times">2</a>')
    expect(linksInto(now, 'times')).toEqual([{ from: 'visit', label: 'Visit', count: 2, fragments: ['a'] }])
    expect(whereItLeads(now, 'entry:times#a')).toEqual({ words: 'Times (visit/times.html#a)', isThere: true })
    expect(whereItLeads(now, 'entry:gone')).toMatchObject({ isThere: false })
    expect(whereItLeads(now, 'https://example.org/')).toBeUndefined()
  })
})

describe('what an editor makes of a source', () => {
  test('leaves every block that was not touched as it was written', () => {
    const source = "<p>One  <b>x</b></p>\n\n\n<ul><li>a\n<li>b</ul>\n<p title='q'>Three</p>\n"
    const opened = ['<p>One <b>x</b></p>', '<ul><li>a</li><li>b</li></ul>', '<p title="q">Three</p>']
    expect(keepSource(source, opened, [...opened])).toBe(source)
    expect(keepSource(source, opened, [...opened.slice(0, 2), '<p title="q">3</p>'])).toBe(
      '<p>One  <b>x</b></p>\n\n\n<ul><li>a\n<li>b</ul>\n<p title="q">3</p>\n',
    )
    expect(keepSource(source, opened, [opened[0]!, opened[2]!])).toBe(
      "<p>One  <b>x</b></p>\n<p title='q'>Three</p>\n",
    )
    expect(keepSource(source, opened, ['<h2>New</h2>', ...opened])).toMatch(/^<h2>New<\/h2>\n<p>One {2}<b>x/)
  })

  test('keeps the line ends of paragraphs that are not closed, and the blanks around all', () => {
    const source = '\n<p>One\n<p><img src=a.jpg>\n<p>Two <b>b</b>\n\n'
    const opened = ['<p>One</p>', '<p><img src="a.jpg"></p>', '<p>Two <b>b</b></p>']
    expect(keepSource(source, opened, [...opened, '<p>New</p>'])).toBe(
      '\n<p>One\n<p><img src=a.jpg>\n<p>Two <b>b</b>\n<p>New</p>\n\n',
    )
    expect(keepSource(source, opened, ['<p>Once</p>', ...opened.slice(1)])).toBe(
      '\n<p>Once</p>\n<p><img src=a.jpg>\n<p>Two <b>b</b>\n\n',
    )
  })

  test('closes what it must where a block was left open', () => {
    expect(
      keepSource('<p>One<p>Two', ['<p>One</p>', '<p>Two</p>'], ['<p>One</p>', 'bare', '<p>Two</p>']),
    ).toBe('<p>One</p>\nbare\n<p>Two</p>')
  })
})
