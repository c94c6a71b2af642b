import { outputFiles } from '../formats/archive.ts'
import { readOpml } from '../formats/opml.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { Change } from '../plan/change/change.ts'
import type { OwnRedirect, Site } from '../plan/site.ts'
import { attribute, readPage } from '../testing/readPage.ts'
import { addressesOf, ownName } from './addresses.ts'
import { pinPages, unpinnedPages } from './pins.ts'
import { redirectsOf } from './redirects.ts'
import { YEAR } from '../testing/year.ts'

const TOP = 'https://example.org/trust/'
const start = readOpml(`<opml version="2.0"><head><title>T</title></head><body><outline text="Home">
  <outline text="Boating"><outline text="Locks"/></outline><outline text="Walks"/></outline></body></opml>`)
const make = (site: Site, ...changes: Change[]) =>
  changes.reduce((now, change) => applyChange(now, change).site, site)
const site = make(
  start,
  { kind: 'setSite', field: 'layout', value: 'nested' },
  { kind: 'setSite', field: 'baseUrl', value: TOP },
  {
    kind: 'setEntry',
    entry: 'locks',
    field: 'pin',
    value: { name: 'locks', addresses: ['boating/locks.html'] },
  },
)
const redirects = (...value: OwnRedirect[]): Change => ({ kind: 'setSite', field: 'redirects', value })
const toUrl = (from: string, url: string): OwnRedirect => ({ from, to: { to: 'address', url } })
const toPage = (from: string, entry: string): OwnRedirect => ({
  from,
  to: { to: 'entry', entry, fragment: '' },
})
const pathOf = (at: Site, id: string) => addressesOf(at).paths.get(id)

test.each([
  ['walks/x.css/y.html', 'a file stands there, or where its folder would be'],
  ['boating', 'a folder stands there'],
  ['STYLE.css', 'a file stands there'],
  ['walks.html/b.html', 'a file stands there, or where its folder would be'],
])('a new redirect from %s is refused: %s', (from, why) => {
  const filed = make(site, {
    kind: 'addFile',
    file: { id: 'x', path: 'walks/x.css', content: 'k', size: 1, alt: '' },
  })
  expect(() => make(filed, redirects(toPage(from, 'walks')))).toThrow(why)
})

test('a redirect that leads to its own address, and one to a folder that came later, rest', () => {
  const own = [toUrl('here.html', `${TOP}here.html`), toPage('walks', 'locks')]
  const at = { ...site, settings: { ...site.settings, redirects: own } }
  const moved = make(at, { kind: 'move', entry: 'locks', parent: 'walks', place: 0 })
  expect(redirectsOf(moved).map(({ from, rests }) => [from, rests])).toEqual([
    ['boating/locks.html', undefined],
    ['here.html', 'leads-back'],
    ['walks', 'folder-there'],
  ])
})

describe('a pinned page', () => {
  test('keeps its name when its title changes, and has no redirect while it stands where it was', () => {
    const renamed = make(site, { kind: 'setEntry', entry: 'locks', field: 'title', value: 'All about locks' })
    expect(pathOf(renamed, 'locks')).toBe('boating/locks.html')
    expect(redirectsOf(renamed)).toEqual([])
    const released = make(renamed, { kind: 'setEntry', entry: 'locks', field: 'pin', value: null })
    expect(pathOf(released, 'locks')).toBe('boating/all-about-locks.html')
  })

  test('leads on from its old address when it moves, straight to where it stands after several moves', () => {
    const moved = make(
      site,
      { kind: 'move', entry: 'locks', parent: 'walks', place: 0 },
      { kind: 'setEntry', entry: 'locks', field: 'fileName', value: 'lock-guide' },
    )
    expect(redirectsOf(moved)).toEqual([
      { ...toPage('boating/locks.html', 'locks'), origin: 'pin', rests: undefined },
    ])
    const file = [...outputFiles(moved, YEAR)].find(({ path }) => path === 'boating/locks.html')!
    const html = 'text' in file ? file.text() : ''
    const refresh = readPage(html)
      .all('meta')
      .find((meta) => attribute(meta, 'http-equiv') === 'refresh')!
    const target = /^0; url=(.*)$/.exec(attribute(refresh, 'content')!)![1]!
    expect(new URL(target, `${TOP}boating/locks.html`).href).toBe(`${TOP}walks/lock-guide.html`)
    const back = make(
      moved,
      { kind: 'setEntry', entry: 'locks', field: 'fileName', value: '' },
      {
        kind: 'move',
        entry: 'locks',
        parent: 'boating',
        place: 0,
      },
    )
    expect(redirectsOf(back)).toEqual([])
  })

  test('has its old address for itself: another page goes round it, but for one that was given out there, too', () => {
    const pin = (entry: string, name: string): Change => ({
      kind: 'setEntry',
      entry,
      field: 'pin',
      value: { name, addresses: ['boating.html'] },
    })
    const moved = make(site, { kind: 'move', entry: 'locks', parent: 'walks', place: 0 }, pin('locks', 'x'))
    expect(pathOf(moved, 'boating')).toBe('boating-2.html')
    expect(redirectsOf(moved)).toMatchObject([
      { from: 'boating.html', to: { entry: 'locks' }, rests: undefined },
    ])

    const both = make(moved, pin('boating', 'boating'))
    expect(pathOf(both, 'boating')).toBe('boating.html')
    expect(redirectsOf(both)).toMatchObject([{ from: 'boating.html', rests: 'page-there' }])
    const files = [...outputFiles(both, YEAR)].filter(({ path }) => path === 'boating.html')
    expect(files).toHaveLength(1)
    expect('text' in files[0]! && files[0].text()).toContain('<h1>Boating</h1>')
  })

  test('of two pages that were given out at one address, the first in the plan is led to', () => {
    const pin = (entry: string): Change => ({
      kind: 'setEntry',
      entry,
      field: 'pin',
      value: { name: entry, addresses: ['old.html'] },
    })
    for (const order of [
      ['walks', 'locks'],
      ['locks', 'walks'],
    ])
      expect(redirectsOf(make(site, ...order.map(pin)))).toMatchObject([
        { from: 'old.html', to: { entry: 'locks' } },
      ])
  })

  test.each(['flat', 'nested', 'folders'] as const)(
    'is pinned by its own name in the layout %s',
    (layout) => {
      const laid = make(
        site,
        { kind: 'setSite', field: 'layout', value: layout },
        { kind: 'setSite', field: 'carrySection', value: true },
        { kind: 'setEntry', entry: 'locks', field: 'pin', value: null },
      )
      const pin = { name: ownName(laid, 'locks'), addresses: [pathOf(laid, 'locks')!] }
      expect(pin.name).toBe('locks')
      const pinned = make(laid, { kind: 'setEntry', entry: 'locks', field: 'pin', value: pin })
      expect(pathOf(pinned, 'locks')).toBe(pathOf(laid, 'locks'))
    },
  )
})

describe('redirects of the author', () => {
  test('are shortened: a chain leads straight to its end, an address of the site to its page', () => {
    const chained = make(
      site,
      redirects(toUrl('a.html', `${TOP}b.html`), toUrl('b.html', `${TOP}walks.html#top`)),
    )
    expect(chained.settings.redirects).toEqual([toPage('a.html', 'walks'), toPage('b.html', 'walks')])
    const out = make(
      site,
      redirects(toUrl('a.html', `${TOP}b.html`), toUrl('b.html', 'https://example.net/x')),
    )
    expect(out.settings.redirects[0]).toEqual(toUrl('a.html', 'https://example.net/x'))
  })

  test.each<[string, OwnRedirect[], RegExp]>([
    ['a loop', [toUrl('a.html', `${TOP}b.html`), toUrl('b.html', `${TOP}A.html`)], /back to itself/],
    ['one that leads to itself', [toUrl('a.html', `${TOP}a.html`)], /back to itself/],
    ['one that would hide a page', [toPage('walks.html', 'locks')], /would hide it/],
    ['two from one address', [toPage('a.html', 'locks'), toPage('A.html', 'walks')], /Two redirects/],
  ])('%s is refused', (_, list, reason) => {
    expect(() => make(site, redirects(...list))).toThrow(reason)
  })

  test('one that leads to a page no longer on the site rests', () => {
    const dead = make(site, redirects(toPage('a.html', 'walks')), { kind: 'remove', entries: ['walks'] })
    expect(redirectsOf(dead)).toMatchObject([{ from: 'a.html', rests: 'leads-nowhere' }])
    expect([...outputFiles(dead, YEAR)].some(({ path }) => path === 'a.html')).toBe(false)
  })
})

test('absolute links ask for a base URL first', () => {
  const absolute: Change = { kind: 'setSite', field: 'linkStyle', value: 'absolute' }
  expect(() => make(start, absolute)).toThrow(/need a base URL/)
  expect(() => make(site, absolute, { kind: 'setSite', field: 'baseUrl', value: '' })).toThrow(
    /need a base URL/,
  )
})

describe('pinning', () => {
  test('keeps every address that is given out, whatever becomes of titles and places after', () => {
    const all = unpinnedPages(start)
    expect(all.sort()).toEqual(['boating', 'home', 'locks', 'walks'])
    const pinned = make(start, pinPages(start, all)!)
    expect(unpinnedPages(pinned)).toEqual([])
    expect(pinPages(pinned, all)).toBeUndefined()
    const later = make(
      pinned,
      { kind: 'setEntry', entry: 'boating', field: 'title', value: 'Afloat' },
      { kind: 'setSite', field: 'layout', value: 'folders' },
    )
    expect(unpinnedPages(later).sort()).toEqual(['boating', 'locks', 'walks'])
    expect(redirectsOf(later).map(({ from }) => from)).toEqual(['boating.html', 'locks.html', 'walks.html'])
    expect(pathOf(later, 'boating')).toBe('boating/index.html')
    const again = make(later, pinPages(later, unpinnedPages(later))!)
    expect(redirectsOf(again)).toEqual(redirectsOf(later))
  })
})
