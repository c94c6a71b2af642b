import fc from 'fast-check'
import { readOpml } from '../../formats/opml.ts'
import { applyChange } from '../../plan/change/apply.ts'
import type { SingleChange } from '../../plan/change/change.ts'
import { newPage } from '../../plan/newEntry.ts'
import { childrenOf } from '../../plan/plan.ts'
import { createPageWriter } from '../../render/pageWriter.ts'
import { attribute, readPage, textOf } from '../../testing/readPage.ts'
import { YEAR } from '../../testing/year.ts'

const start = readOpml(`<opml version="2.0"><head><title>Trust</title></head><body><outline text="Home">
  <outline text="News"><outline text="Otters are back"/><outline text="A new gate"/><outline text="Stoppages"/></outline>
  <outline text="Shop" type="link" url="https://shop.example.org/"/></outline></body></opml>`)

const [news] = childrenOf(start.plan, start.plan.home)
const [otters, gate, stoppages] = childrenOf(start.plan, news!)
const set = (entry: string, field: string, value: unknown) =>
  ({ kind: 'setEntry', entry, field, value }) as SingleChange
const file = (id: string, path: string): SingleChange => ({
  kind: 'addFile',
  file: { id, path, content: id, size: 1, alt: 'Said elsewhere' },
})
const body = (entry: string, html: string) => set(entry, 'body', { html, changed: '' })
const site = applyChange(start, {
  kind: 'batch',
  changes: [
    ...[news, otters, gate, stoppages].map((id) => set(id!, 'state', 'ready')),
    ...[
      file('otter', 'pictures/otter.jpg'),
      file('gate', 'pictures/gate.png'),
      file('plan', 'docs/plan.pdf'),
    ],
    set(otters!, 'banner', { file: 'otter', alt: '', text: '' }),
    body(otters!, '<img src="site-file:gate" alt="">'),
    set(otters!, 'description', 'Seen at dusk.'),
    body(
      gate!,
      '<p><a href="site-file:plan">Plan</a> <img src="https://example.org/x.png" alt=""> <img src="site-file:gate" alt="G"></p>',
    ),
  ],
}).site

/** The cards that a text makes on a page: picture, title, address and description of each. */
function cardsOf(html: string, on = news!) {
  const { site: next } = applyChange(site, body(on, html))
  const read = readPage(createPageWriter(next, YEAR).page(on))
  return read
    .all('ul')
    .filter((list) => attribute(list, 'class') === 'cards')
    .flatMap((list) => list.childNodes.filter((node) => 'tagName' in node))
    .map((card) => {
      const inside = (tag: string) =>
        card.childNodes.find((node) => 'tagName' in node && node.tagName === tag)
      const [img, link, p] = ['img', 'a', 'p'].map(inside) as (Parameters<typeof attribute>[0] | undefined)[]
      expect(img ? attribute(img, 'alt') : '').toBe('')
      return [
        img && attribute(img, 'src'),
        link && textOf(link),
        link && attribute(link, 'href'),
        p && textOf(p),
      ]
    })
}

test('subpages are cards with their banner, else the first picture of their text, title and description', () => {
  expect(cardsOf('<p>News</p><put-pages cards></put-pages>')).toEqual([
    ['pictures/otter.jpg', 'Otters are back', 'otters-are-back.html', 'Seen at dusk.'],
    ['pictures/gate.png', 'A new gate', 'a-new-gate.html', undefined],
    [undefined, 'Stoppages', 'stoppages.html', undefined],
  ])
})

test('picked pages are cards in the order of the author, each once; those that are gone or not on the site are none', () => {
  const { site: planned } = applyChange(site, set(gate!, 'state', 'planned'))
  expect(planned.plan.entries.get(gate!)).toMatchObject({ state: 'planned' })
  const shop = childrenOf(start.plan, start.plan.home)[1]
  const picked = `<put-pages cards of="${stoppages} gone ${otters} ${shop} ${stoppages}"></put-pages>`
  expect(cardsOf(picked, start.plan.home).map(([, title, href]) => [title, href])).toEqual([
    ['Stoppages', 'stoppages.html'],
    ['Otters are back', 'otters-are-back.html'],
    ['Shop', 'https://shop.example.org/'],
  ])
  expect(cardsOf('<put-pages cards of="gone"></put-pages>')).toEqual([])
})

/** The lines of the list that a text makes on the page of news, each as its text. */
function linesOf(html: string, ...changes: SingleChange[]): string[] {
  const { site: next } = applyChange(site, { kind: 'batch', changes: [...changes, body(news!, html)] })
  return readPage(createPageWriter(next, YEAR).page(news!))
    .all('li')
    .filter((item) => item.parentNode && 'tagName' in item.parentNode)
    .map((item) => textOf(item).replace(/\s+/g, ' ').trim())
    .filter((text) => /otters|gate|stoppages/i.test(text))
}

const dates = [set(otters!, 'date', '2026-03-09'), set(stoppages!, 'date', '2026-11-30')]

test('lists with the newest pages first show their dates, in the language of the site, and those without come last', () => {
  const main = (html: string, ...more: SingleChange[]) =>
    linesOf(`<p>News</p>${html}`, ...dates, ...more).slice(-3)
  expect(main('<put-pages></put-pages>')).toEqual(['Otters are back', 'A new gate', 'Stoppages'])
  const newest = '<put-pages newest></put-pages>'
  expect(main(newest, { kind: 'setSite', field: 'language', value: 'en-GB' })).toEqual([
    'Stoppages 30 November 2026',
    'Otters are back 9 March 2026',
    'A new gate',
  ])
  expect(main(newest, { kind: 'setSite', field: 'language', value: 'de' })).toEqual([
    'Stoppages 30. November 2026',
    'Otters are back 9. März 2026',
    'A new gate',
  ])
})

test('the order by date is that of the days, and pages of one day keep the order of the plan', () => {
  const day = fc.option(
    fc.constantFrom('0044-03-15', '1999-12-31', '2026-02-09', '2026-02-10', '2026-11-01'),
    {
      nil: '',
    },
  )
  const numberOf = (text: string) => Number(/Episode (\d+)/.exec(text)?.[1])
  fc.assert(
    fc.property(fc.array(day, { minLength: 1, maxLength: 12 }), fc.boolean(), (days, areCards) => {
      const branches = days.map((date, at) => ({
        ...newPage(`episode-${at}`, `Episode ${at}`, { state: 'ready', date }),
        entries: [],
      }))
      const { site: next } = applyChange(start, {
        kind: 'batch',
        changes: [
          set(news!, 'state', 'ready'),
          { kind: 'add', parent: otters!, place: 0, branches },
          set(otters!, 'state', 'ready'),
          body(otters!, `<put-pages newest${areCards ? ' cards' : ''}></put-pages>`),
        ],
      })
      const html = createPageWriter(next, YEAR).page(otters!)
      const shown = readPage(html.slice(html.indexOf('<main')))
        .all('li')
        .map((item) => numberOf(textOf(item)))
        .filter((number) => !Number.isNaN(number))
      // Independent of the text: the time of the day, and the place in the plan.
      const time = (at: number) => (days[at] === '' ? -Infinity : Date.parse(`${days[at]}T00:00Z`))
      const expected = [...days.keys()].sort((a, b) =>
        time(a) === time(b) ? a - b : time(b) > time(a) ? 1 : -1,
      )
      expect(shown).toEqual(expected)
    }),
    { numRuns: 60 },
  )
})
