import fc from 'fast-check'
import { sidesOf } from './sides.ts'

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
    fc.property(text, text, fc.constantFrom('a.html', 'a.css', '.htaccess'), (was, will, path) => {
      const { before, after, parts } = sidesOf({ path }, was, will, new Set())
      const shown = (lines: typeof before) => lines.map((one) => one.text).join('\n')
      const whole = (one: string) => (path === 'a.html' ? one.replace(/\n$/, '') : one)
      expect(shown(before)).toBe(whole(was))
      expect(shown(after)).toBe(whole(will))
      const same = (lines: typeof before) => shown(lines.filter(({ differs }) => !differs))
      expect(same(before)).toBe(same(after))
      if (was === will) expect([...before, ...after].some(({ differs }) => differs)).toBe(false)
      if (path !== 'a.html') expect(parts).toEqual([])
    }),
    { numRuns: 300 },
  )
})

test('long texts with nothing in common take no longer than they should', () => {
  const many = (word: string) => Array.from({ length: 20_000 }, (_, n) => `${word} ${n}`).join('\n')
  const { before, after } = sidesOf({ path: 'x.txt' }, many('a'), many('b'), new Set())
  expect([before, after].map((lines) => lines.filter(({ differs }) => differs).length)).toEqual([
    20_000, 20_000,
  ])
})

test('the parts of a page that differ are named', () => {
  const page = (title: string, foot: string) =>
    `<!doctype html>\n<html>\n<head>\n<title>${title}</title>\n</head>\n<body>\n<main>\n<p>x</p>\n</main>\n<footer class="site-footer">\n<p>${foot}</p>\n</footer>\n</body>\n</html>\n`
  expect(sidesOf({ path: 'x.html' }, page('A', '1'), page('B', '2'), new Set()).parts).toEqual([
    'title',
    'footer',
  ])
})
