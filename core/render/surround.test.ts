import fc from 'fast-check'
import { addressesOf } from '../address/addresses.ts'
import { encodePath } from '../address/relative.ts'
import { outputFiles } from '../formats/archive.ts'
import { readOpml } from '../formats/opml.ts'
import type { PageEntry } from '../plan/entry.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import type { Piece, Place } from '../plan/surround/piece.ts'
import { EMPTY_SURROUND, STANDARD_SURROUND, type Surround } from '../plan/surround/surround.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { arbitrarySurround } from '../testing/arbitrarySurround.ts'
import { htmlFaults } from '../testing/htmlValidator.ts'
import { attribute, isInside, readPage, textOf } from '../testing/readPage.ts'
import { YEAR } from '../testing/year.ts'
import { createRenderer } from './renderer.ts'

const TOP = 'https://example.org/some%20where/'

const pagesOf = (site: Site): PageEntry[] =>
  [...walk(site.plan)].flatMap(({ entry }) => (isWritten(site, entry) ? [entry] : []))

describe('any surround over any plan', () => {
  test('comes out conforming (html-validate), one first heading a page, nothing of ours left in it', async () => {
    await fc.assert(
      fc.asyncProperty(arbitrarySite(8, arbitrarySurround), async (site) => {
        const renderer = createRenderer(site, YEAR)
        for (const page of pagesOf(site).slice(0, 4)) {
          const html = renderer.page(page.id)
          expect(await htmlFaults(html)).toEqual([])
          const read = readPage(html)
          expect(read.all('h1')).toHaveLength(1)
          expect(read.all('main')).toHaveLength(1)
          expect(html).not.toMatch(/<put-|viatica/)
          const ids = read.elements.flatMap((element) => attribute(element, 'id') ?? [])
          expect(new Set(ids).size).toBe(ids.length)
          const labels = read.all('nav').map((nav) => attribute(nav, 'aria-label'))
          expect(new Set(labels).size).toBe(labels.length)
        }
      }),
      { numRuns: 100 },
    )
  })

  test('has every link resolved: to a file that is written, or out of the site', () => {
    fc.assert(
      fc.property(arbitrarySite(12, arbitrarySurround), (site) => {
        const renderer = createRenderer(site, YEAR)
        const files = new Set(
          [...outputFiles(site, YEAR)].map(({ path }) => new URL(TOP + encodePath(path)).href),
        )
        for (const page of pagesOf(site)) {
          const url = TOP + encodePath(addressesOf(site).paths.get(page.id)!)
          for (const element of readPage(renderer.page(page.id)).elements) {
            const href = attribute(element, 'href') ?? attribute(element, 'src')
            if (href === undefined || href.startsWith('#')) continue
            expect(href).not.toBe('')
            const to = new URL(href, url).href.replace(/#.*$/, '')
            const file = site.settings.namesIndex ? to : to.replace(/\/$/, `/index${site.settings.extension}`)
            if (to.startsWith(TOP)) expect(files).toContain(file)
            else
              expect(to).toMatch(
                /^(https:\/\/example\.org\/\?a=1&b=2|mailto:a@example\.org|tel:\+441632960143)$/,
              )
          }
        }
      }),
      { numRuns: 100 },
    )
  })

  test('has at most one current item a menu, whatever the marks are called', () => {
    fc.assert(
      fc.property(arbitrarySite(12, arbitrarySurround), (site) => {
        const renderer = createRenderer(site, YEAR)
        for (const page of pagesOf(site)) {
          const read = readPage(renderer.page(page.id))
          for (const nav of read.all('nav')) {
            const current = read.elements.filter(
              (element) => attribute(element, 'aria-current') !== undefined && isInsideOf(element, nav),
            )
            expect(current.length).toBeLessThanOrEqual(1)
          }
        }
      }),
      { numRuns: 60 },
    )
  })
})

function isInsideOf(element: { parentNode: unknown }, ancestor: object): boolean {
  for (let up = element.parentNode as { parentNode?: unknown } | null; up; up = up.parentNode as typeof up)
    if (up === ancestor) return true
  return false
}

const plan = readOpml(`<opml version="2.0"><head><title>Trust</title></head><body><outline text="Home">
  <outline text="Visit"><outline text="Times"/><outline text="Access"/></outline>
  <outline text="Walk" type="group"><outline text="Stage 1"/></outline><outline text="Boats"/></outline></body></opml>`)

function siteWithPieces(pieces: Partial<Record<Place, Piece[]>>, rules: Partial<Surround> = {}): Site {
  const places = { ...EMPTY_SURROUND.places, ...pieces }
  return { ...plan, surround: { ...STANDARD_SURROUND, ...rules, places } }
}
const page = (site: Site, id: string) => createRenderer(site, YEAR).page(id)
const piece = (fields: object) => ({ beside: false, ...fields }) as Piece

describe('pieces', () => {
  test('beside the content, all but navigation belongs into main', () => {
    const heading = piece({ id: 'h', kind: 'heading' })
    const breadcrumb = piece({ id: 'b', kind: 'breadcrumb' })
    const text = piece({ id: 't', kind: 'text', text: 'Open every day.' })
    const pager = piece({ id: 'p', kind: 'pager', shows: 'both', up: true })
    const read = readPage(
      page(siteWithPieces({ before: [breadcrumb, heading], after: [text, pager] }), 'times'),
    )
    expect(read.outline).toEqual(['a', 'div', 'main', 'div'])
    expect(isInside(read.all('h1')[0]!, 'main')).toBe(true)
    expect(
      read
        .all('p')
        .filter((one) => isInside(one, 'main'))
        .map(textOf),
    ).toEqual(['Open every day.'])
    expect(read.all('nav').some((nav) => isInside(nav, 'main'))).toBe(false)
    expect(read.all('a').map((a) => attribute(a, 'class'))).toContain('pager-up')
  })

  test('in one row stand in one element', () => {
    const html = page(
      siteWithPieces({
        footer: [
          piece({ id: 'a', kind: 'text', text: 'One' }),
          piece({ id: 'b', kind: 'text', text: 'Two', beside: true }),
          piece({ id: 'c', kind: 'text', text: 'Three' }),
        ],
      }),
      'home',
    )
    const rows = readPage(html).elements.filter((element) => attribute(element, 'class') === 'row')
    expect(rows.map((row) => textOf(row).replace(/\s+/g, ' ').trim())).toEqual(['One Two'])
  })

  test('contact: an e-mail address and a phone number become links (RFC 6068, RFC 3966), other text stays', () => {
    const lines = 'office@example.org\nPhone: +44 (0)1632 960 143\nThe <Warehouse>: at the basin\n12'
    const html = page(
      siteWithPieces({ footer: [piece({ id: 'c', kind: 'contact', heading: 'Us', lines })] }),
      'home',
    )
    const links = readPage(html)
      .all('a')
      .filter((link) => isInside(link, 'footer'))
    expect(links.map((link) => attribute(link, 'href'))).toEqual([
      'mailto:office@example.org',
      'tel:+441632960143',
    ])
    expect(html).toContain('Phone: <a')
    expect(html).toContain('The &lt;Warehouse&gt;: at the basin')
  })

  test('copyright: the first year to that of the build, once when they are the same', () => {
    const line = (from: number | null, holder = 'Trust & Co') =>
      /<p class="copyright">(.*)<\/p>/.exec(
        page(siteWithPieces({ footer: [piece({ id: 'c', kind: 'copyright', holder, from })] }), 'home'),
      )![1]
    expect(line(1971)).toBe(`© 1971–${YEAR} Trust &amp; Co`)
    expect(line(YEAR)).toBe(`© ${YEAR} Trust &amp; Co`)
    expect(line(null, '')).toBe(`© ${YEAR} Trust`)
  })

  test('a banner is the page’s own, else its section’s, else the site’s', () => {
    const banner = { file: 'f', alt: '', text: '' }
    const withBanner = (id: string, text: string): Site => {
      const site = siteWithPieces({
        header: [piece({ id: 'b', kind: 'banner', picture: null, text: 'The site' })],
      })
      const entries = new Map(site.plan.entries)
      entries.set(id, { ...(entries.get(id) as PageEntry), banner: { ...banner, text } })
      return { ...site, plan: { ...site.plan, entries } }
    }
    const shown = (site: Site, id: string) => /<div class="banner">\s*<p>(.*)<\/p>/.exec(page(site, id))?.[1]
    const section = withBanner('visit', 'The section')
    expect(['home', 'visit', 'times', 'boats'].map((id) => shown(section, id))).toEqual([
      'The site',
      'The section',
      'The section',
      'The site',
    ])
    // What the home page shows is its own: it is no section.
    expect(['home', 'times'].map((id) => shown(withBanner('home', 'Home'), id))).toEqual(['Home', 'The site'])
  })

  test('own HTML calls computed parts; one that was not closed takes nothing with it', () => {
    const html = `<p>© <put-year/> of <put-title></p><p>See <put-menu menu="Main" shape="line"></put-menu> more</p><put-menu menu="Gone"></put-menu>`
    const read = readPage(page(siteWithPieces({ footer: [piece({ id: 'o', kind: 'html', html })] }), 'times'))
    expect(read.all('p').map((one) => textOf(one).replace(/\s+/g, ' ').trim())).toEqual([
      `© ${YEAR} of Times`,
      'See more',
    ])
    expect(read.all('nav').map((nav) => attribute(nav, 'class'))).toEqual(['menu menu-line'])
  })

  test('the breadcrumb as data has the required properties (schema.org BreadcrumbList), counted from 1', () => {
    const rules = { breadcrumb: { ...STANDARD_SURROUND.breadcrumb, data: true } }
    const site = siteWithPieces({}, rules)
    const based = { ...site, settings: { ...site.settings, baseUrl: 'https://example.org/x/' } }
    const data = (id: string) =>
      JSON.parse(
        /<script type="application\/ld\+json">(.*)<\/script>/.exec(page(based, id))?.[1] ?? 'null',
      ) as unknown
    expect(data('home')).toBeNull()
    // The group has no address, and is left out.
    expect(data('stage-1')).toEqual({
      '@context': 'https://schema.org',
      '@type': 'BreadcrumbList',
      itemListElement: [
        { '@type': 'ListItem', position: 1, name: 'Home', item: 'https://example.org/x/index.html' },
        { '@type': 'ListItem', position: 2, name: 'Stage 1', item: 'https://example.org/x/stage-1.html' },
      ],
    })
  })

  test('the words follow the language of the site, and the author’s own stand before them', () => {
    const pager = [piece({ id: 'p', kind: 'pager', shows: 'words', up: false })]
    const german = siteWithPieces({ after: pager }, { words: { next: 'Weiterblättern' } })
    const html = page({ ...german, settings: { ...german.settings, language: 'de-AT' } }, 'home')
    expect(html).toContain('>Zum Inhalt springen</a>')
    expect(html).toContain('<span class="pager-word">Weiterblättern</span>')
    const arabic = { ...german, settings: { ...german.settings, language: 'ar' } }
    expect(page(arabic, 'home')).toContain('<html lang="ar" dir="rtl">')
  })
})
