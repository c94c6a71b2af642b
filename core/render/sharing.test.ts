import fc from 'fast-check'
import { addressesOf } from '../address/addresses.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { SingleChange } from '../plan/change/change.ts'
import { isBegun, type PageEntry } from '../plan/entry.ts'
import { newSite, type Site } from '../plan/site.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { createPageWriter } from './pageWriter.ts'

const YEAR = 2026

/** The properties of a finished page, read from its HTML. */
function propertiesOf(site: Site, page: string): Map<string, string> {
  const found = new Map<string, string>()
  const html = createPageWriter(site, YEAR).page(page)
  const value = (tag: string, name: string) => new RegExp(`\\b${name}="([^"]*)"`).exec(tag)?.[1]
  for (const [tag] of html.slice(0, html.indexOf('</head>')).matchAll(/<meta property=[^>]*>/g)) {
    const property = value(tag, 'property')!
    expect(found.has(property)).toBe(false)
    found.set(
      property,
      value(tag, 'content')!
        .replace(/&quot;/g, '"')
        .replace(/&lt;/g, '<')
        .replace(/&amp;/g, '&'),
    )
  }
  return found
}

const pagesOf = (site: Site) =>
  [...site.plan.entries.values()].filter((one): one is PageEntry => one.kind === 'page' && isBegun(one))

const set = (field: string, value: unknown) => ({ kind: 'setSite', field, value }) as SingleChange
const make = (site: Site, ...changes: SingleChange[]) => applyChange(site, { kind: 'batch', changes }).site

test('every page of any site with a base URL has what ogp.me requires, with whole addresses; others have none', () => {
  fc.assert(
    fc.property(arbitrarySite(10), (site) => {
      const isOn = site.settings.sharing && site.settings.baseUrl !== ''
      for (const page of pagesOf(site)) {
        const found = propertiesOf(site, page.id)
        if (!isOn || site.settings.notFound === page.id) {
          expect([...found]).toEqual([])
          continue
        }
        // https://ogp.me/#metadata: the required properties, but for a picture where the site has none.
        for (const required of ['og:title', 'og:type', 'og:url']) expect(found.get(required)).toBeTruthy()
        for (const [name, content] of found) {
          expect(content).not.toBe('')
          if (/:(url|image)$/.test(name)) expect(content.startsWith(site.settings.baseUrl)).toBe(true)
        }
        expect(found.get('og:description') ?? '').toBe(page.description)
        if (!found.has('og:image')) expect(found.has('og:image:alt')).toBe(false)
      }
    }),
  )
})

test('the picture of a page is its banner, else that of its section, of the site, or the logo; drawings are none', () => {
  const file = (id: string, path: string, alt = ''): SingleChange => ({
    kind: 'addFile',
    file: { id, path, content: id, size: 1, alt },
  })
  const page = (parent: string, id: string): SingleChange =>
    ({
      kind: 'add',
      parent,
      place: 0,
      branches: [{ ...newSite('x', id).plan.entries.get(id)!, title: id, state: 'ready', entries: [] }],
    }) as SingleChange
  const banner = (entry: string, picture: string | null) =>
    ({
      kind: 'setEntry',
      entry,
      field: 'banner',
      value: picture && { file: picture, alt: '', text: '' },
    }) as SingleChange
  let site = make(
    newSite('Trust', 'home'),
    page('home', 'walks'),
    page('walks', 'ridge'),
    file('logo', 'pictures/logo.png', 'The logo'),
    file('drawn', 'pictures/ridge.svg'),
    file('photo', 'pictures/Lower lock.jpg', 'A lock'),
    set('baseUrl', 'https://www.example.org/trust/'),
  )
  const image = () => propertiesOf(site, 'ridge').get('og:image')
  expect(image()).toBeUndefined()
  site = make(site, set('logo', { file: 'logo', alt: '' }))
  expect(image()).toBe('https://www.example.org/trust/pictures/logo.png')
  site = make(site, banner('walks', 'photo'))
  expect(image()).toBe('https://www.example.org/trust/pictures/Lower%20lock.jpg')
  expect(propertiesOf(site, 'ridge').get('og:image:alt')).toBe('A lock')
  site = make(site, banner('ridge', 'drawn'))
  expect(image()).toBe('https://www.example.org/trust/pictures/logo.png')
  expect(propertiesOf(site, 'ridge').get('og:url')).toBe(
    `https://www.example.org/trust/${addressesOf(site).paths.get('ridge')}`,
  )
  expect(propertiesOf(make(site, set('sharing', false)), 'ridge').size).toBe(0)
})
