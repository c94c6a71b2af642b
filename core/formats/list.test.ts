import fc from 'fast-check'
import type { Branch } from '../plan/branch.ts'
import { labelOf } from '../plan/entry.ts'
import { MAX_LEVELS } from '../plan/plan.ts'
import { readList } from './list.ts'

function read(text: string, options = {}) {
  let n = 0
  return readList(text, { newId: () => `n${++n}`, ...options })
}
/** Branches as indented lines. */
const shape = (branches: readonly Branch[], indent = ''): string[] =>
  branches.flatMap((branch) => [indent + labelOf(branch), ...shape(branch.entries, `${indent} `)])
const warningsOf = (text: string, options = {}) =>
  read(text, options).lines.flatMap(({ number, warnings }) =>
    warnings.map(({ warning }) => `${number}: ${warning}`),
  )

/** Lines as they come: any text, and what looks like a link. */
const words = fc.oneof(
  fc.string(),
  fc.constantFrom(
    ...[
      '[a](https://x.org)',
      '[](https://x.org)',
      '[a](b.html)',
      '[](',
      'Shop: www.x.org',
      'Home',
      'https://',
    ],
    ...[
      `https://x.org/${'x'.repeat(3000)}`,
      `[${'x'.repeat(400)}](https://x.org)`,
      'tel:1',
      '<https://x.org>',
    ],
  ),
)

const SHAPE = ['Visit', ' Getting here', ' Times', '  Winter', 'Boats']

describe('a pasted list', () => {
  test.each([
    ['indented by spaces', 'Visit\n  Getting here\n  Times\n    Winter\nBoats'],
    ['indented by tabs', 'Visit\n\tGetting here\n\tTimes\n\t\tWinter\nBoats\n'],
    ['with bullets', '- Visit\n  - Getting here\n  * Times\n    + Winter\n- Boats'],
    ['with numbers', '1. Visit\r\n   1) Getting here\r\n   2) Times\r\n      a. Winter\r\n2. Boats'],
    ['with numbers that say the level', '1. Visit\n1.1 Getting here\n1.2. Times\n1.2.1 Winter\n2. Boats'],
    ['as headings of Markdown', '# Visit\n## Getting here\n\n## Times\n### Winter\n\n# Boats'],
    ['as headings with lists under them', '# Visit\n- Getting here\n- Times\n  - Winter\n# Boats'],
    ['with another width on each level', 'Visit\n Getting here\n Times\n     Winter\nBoats'],
  ])('%s', (_, text) => {
    expect(shape(read(text).branches)).toEqual(SHAPE)
    expect(read(text).lines.filter(({ id }) => id === undefined)).toEqual([])
  })

  test('rows of a spreadsheet say the level by their column, and the menu label beside the title', () => {
    const { branches, lines } = read(
      'Visit\tSee us\n\tGetting here\t\n\t"Times ""and"" days"\tTimes\nBoats\t',
    )
    expect(shape(branches)).toEqual(['See us', ' Getting here', ' Times', 'Boats'])
    expect(lines[2]).toMatchObject({ title: 'Times "and" days', label: 'Times', level: 2, warnings: [] })
  })

  test('a title that begins like a number or a dash keeps it', () => {
    expect(
      read('2026 in pictures\n3D models\n-5 degrees\n1.5 miles').lines.map(({ title }) => title),
    ).toEqual(['2026 in pictures', '3D models', '-5 degrees', '1.5 miles'])
  })

  test('addresses and links as Markdown writes them become links of the plan', () => {
    const text = [
      'Visit',
      '  [Shop](https://shop.example.org/?a=1 "Buy")',
      '    Under the shop',
      '  Timetable: https://buses.example.org/12',
      '  https://www.example.org/',
      '- Write to us – mailto:office@example.org',
      '[About us](about.html)',
      '[Example](www.example.org)',
      'www.example.org',
      'What is http://?',
      '[x] Buy paint',
    ].join('\n')
    const { branches, lines } = read(text)
    const flat = (all: readonly Branch[], indent = ''): string[] =>
      all.flatMap((one) => [
        `${indent}${one.kind} ${labelOf(one)}${one.kind === 'link' && one.target.to === 'address' ? ` → ${one.target.url}` : ''}`,
        ...flat(one.entries, `${indent} `),
      ])
    expect(flat(branches)).toEqual([
      'page Visit',
      ' link Shop → https://shop.example.org/?a=1',
      ' page Under the shop',
      ' link Timetable → https://buses.example.org/12',
      ' link www.example.org → https://www.example.org/',
      'link Write to us → mailto:office@example.org',
      'page About us',
      'link Example → https://www.example.org',
      'link www.example.org → https://www.example.org',
      'page What is http://?',
      'page [x] Buy paint',
    ])
    expect(lines[2]!.warnings).toEqual([{ warning: 'nothing can be under a link: it is beside it' }])
    expect(read('Shop\thttps://example.org/').branches[0]).toMatchObject({ kind: 'link', label: 'Shop' })
  })

  test.each([
    ['Home\n  Visit\n  Boats', true, ['Visit', 'Boats']],
    ['home\nVisit\n  Times\nBoats', true, ['Visit', ' Times', 'Boats']],
    ['# The Trust\n## Visit\n### Times', true, ['Visit', ' Times']],
    ['Visit\nHome', false, ['Visit', 'Home']],
    ['Homes\nVisit', false, ['Homes', 'Visit']],
  ])('under the home page a first line that says so is that page: %j', (text, isHome, expected) => {
    const { branches, lines } = read(text, { home: { id: 'top', siteName: 'The trust' } })
    expect(shape(branches)).toEqual(expected)
    expect(lines[0]!.id === 'top').toBe(isHome)
  })

  test('warnings are told line by line, and the lines are kept where they can be', () => {
    const text = 'Visit\n  Times\n      Winter\n  - \nTimes\nBo\u0007ats\nvisit'
    expect(warningsOf(text)).toEqual([
      '3: jumps a level: it stands under the line before',
      '4: no title: left out',
      '5: the same title stands on line',
      '6: control characters were taken out',
      '7: the same title stands on line',
    ])
    expect(shape(read(text).branches)).toEqual(['Visit', ' Times', '  Winter', 'Times', 'Bo ats', 'visit'])
    expect(warningsOf('Walks', { known: new Set(['walks']) })).toEqual([
      '1: the site already has a page with this title',
    ])
  })

  test('what is too long, too deep or too many is told', () => {
    expect(warningsOf('x'.repeat(400))).toEqual(['1: too long: cut to 300 characters'])
    const deep = Array.from({ length: 30 }, (_, n) => `${'  '.repeat(n)}p${n}`).join('\n')
    const { lines } = read(deep)
    expect(Math.max(...lines.map(({ level }) => level))).toBe(MAX_LEVELS - 1)
    expect(
      lines.filter(({ warnings }) => warnings.some(({ warning }) => warning.startsWith('too deep'))),
    ).toHaveLength(7)
    const many = Array.from({ length: 10_000 }, (_, n) => `Page ${n}`).join('\n')
    expect(read(many).branches).toHaveLength(10_000)
    expect(read(many, { present: 15_000 }).lines.filter(({ id }) => id === undefined)).toHaveLength(5000)
  })

  test('of any text, every line that says something comes back, and every entry has a title', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom('', '  ', '\t', '    ', '- ', '1. ', '# '), words), {
          maxLength: 30,
        }),
        (parts) => {
          const text = parts.map(([mark, title]) => mark + title.replace(/[\r\n]/g, '')).join('\n')
          const { lines, branches } = read(text)
          const said = text.split('\n').filter((line) => line.trim() !== '').length
          expect(lines.length).toBeLessThanOrEqual(said)
          const rows = text.split('\n').some((line) => /\S\t/.test(line))
          if (!rows) expect(lines).toHaveLength(said)
          const kept = lines.filter(({ id }) => id !== undefined)
          expect(shape(branches)).toHaveLength(kept.length)
          for (const { title } of kept) expect(title.trim()).not.toBe('')
          for (const line of lines) if (line.id === undefined) expect(line.warnings.length).toBeGreaterThan(0)
        },
      ),
    )
  })
})

test.each(['▪', '‣', '◦', '–', '→', '•', '1.', '2)', '✓'])('%s begins an item', (bullet) => {
  const { branches } = read(`${bullet} Walks\n  ${bullet} Locks\n${bullet} Visit`)
  expect(shape(branches)).toEqual(['Walks', ' Locks', 'Visit'])
})

test.each([
  ['Contact → contact-us', 'Contact', 'contact-us'],
  ['→ Contact → contact-us.html', 'Contact', 'contact-us'],
  ['- Contact us (contact_us)', 'Contact us', 'contact_us'],
  ['Contact us (contact)', 'Contact us', 'contact'],
  ['Contact (kontakt.html)', 'Contact', 'kontakt'],
  ['Walks (easy)', 'Walks (easy)', ''],
  ['The board (2024)', 'The board (2024)', ''],
  ['Locks (and weirs)', 'Locks (and weirs)', ''],
  ['From A → B → C', 'From A → B', 'C'],
  ['Contact → a/b', 'Contact → a/b', ''],
])('%s is a page with its file name', (line, title, fileName) => {
  const [branch] = read(line).branches
  expect(branch).toMatchObject({ title, fileName })
})
