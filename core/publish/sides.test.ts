import fc from 'fast-check'
import { pageSources } from '../compare/pages.ts'
import { bring } from '../existing/bring.ts'
import { siteWith } from '../plan/site.ts'
import { planOfBranch } from '../plan/branch.ts'
import { newPage } from '../plan/newEntry.ts'
import { YEAR } from '../testing/year.ts'
import { sidesOf } from './sides.ts'

/** A site of an author's own HTML, and the source of its home page. */
function broughtRoses() {
  const page = (title: string) =>
    `<html>\n<head>\n<title>${title}</title>\n</head>\n<body>\n<ul>\n<li><a href="index.html">Home</a></li>\n` +
    `<li><a href="b.html">B</a></li>\n<li><a href="c.html">C</a></li>\n</ul>\n<h1>${title}</h1>\n<p>Text of ${title}.</p>\n<div class="foot">Mill</div>\n</body>\n</html>\n`
  const files = ['Home', 'B', 'C'].map((title) => ({
    path: title === 'Home' ? 'index.html' : `${title.toLowerCase()}.html`,
    bytes: new TextEncoder().encode(page(title)),
  }))
  const { site, ids } = bring(files)
  return { home: ids.get('index.html')!, after: page('Home'), sources: pageSources(site, YEAR) }
}

const roses = broughtRoses()
const ofTemplates = (text: string) => roses.sources.published(roses.home, text)
const home = planOfBranch({ ...newPage('home', 'Home'), entries: [] } as never)
const piecesSources = pageSources(siteWith({ name: 'Mill' }, home), YEAR)
const ofPieces = (text: string) => piecesSources.published('home', text)
const readers = [undefined, ofPieces, ofTemplates]

const line = fc.constantFrom(
  '<p>a</p>',
  '<p>b</p>',
  '',
  '<ul>',
  '</ul>',
  '<main>',
  '</main>',
  '<footer>x',
  'é',
)
const text = fc.array(line, { maxLength: 30 }).map((lines) => `${lines.join('\n')}\n`)

test('both sides are the texts, and what does not differ is the same on both, in the same order', () => {
  fc.assert(
    fc.property(text, text, fc.constantFrom(...readers), (was, will, read) => {
      const { before, after, parts } = sidesOf(was, will, read)
      const shown = (lines: typeof before) => lines.map((one) => one.text).join('\n')
      const whole = (one: string) => (read === ofPieces ? one.replace(/\n$/, '') : one)
      expect(shown(before)).toBe(whole(was))
      expect(shown(after)).toBe(whole(will))
      const same = (lines: typeof before) => shown(lines.filter(({ differs }) => !differs))
      expect(same(before)).toBe(same(after))
      if (was === will) expect([...before, ...after].some(({ differs }) => differs)).toBe(false)
      if (!read) expect(parts).toEqual([])
    }),
    { numRuns: 300 },
  )
})

test('long texts with nothing in common take no longer than they should', () => {
  const many = (word: string) => Array.from({ length: 20_000 }, (_, n) => `${word} ${n}`).join('\n')
  const { before, after } = sidesOf(many('a'), many('b'))
  expect([before, after].map((lines) => lines.filter(({ differs }) => differs).length)).toEqual([
    20_000, 20_000,
  ])
})

test('the parts of a page that differ are named', () => {
  const page = (title: string, foot: string) =>
    `<!doctype html>\n<html>\n<head>\n<title>${title}</title>\n</head>\n<body>\n<main>\n<p>x</p>\n</main>\n<footer class="site-footer">\n<p>${foot}</p>\n</footer>\n</body>\n</html>\n`
  expect(sidesOf(page('A', '1'), page('B', '2'), ofPieces).parts).toEqual(['title', 'footer'])
})

test('the parts of an author’s own page that differ are named by its template, with lines that it no longer has', () => {
  const { home, after } = roses
  const title = after.replace('Home', 'Welcome')
  expect(sidesOf(title, after, ofTemplates).parts).toEqual(['title'])
  const withItem = after.replace('<li><a href="c.html"', '<li><a href="gone.html">Gone</a></li>\n$&')
  const sides = sidesOf(withItem, after, ofTemplates)
  expect(sides.parts).toEqual(['menu'])
  expect(sides.after.map(({ text, part }) => [text, part])).toEqual(
    roses.sources.lines(home).map(({ text, region }) => [text, region]),
  )
  const crlf = sidesOf(after.replaceAll('\n', '\r\n'), after, ofTemplates)
  expect(crlf.before.map(({ part }) => part)).toEqual(crlf.after.map(({ part }) => part))
})

test('the lines of a page that is on no site belong to no part', () => {
  const lines = roses.sources.published(undefined, '<p>a\n<p>b')
  expect(lines.map(({ region }) => region)).toEqual(['', ''])
})
