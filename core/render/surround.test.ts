import { applyChange } from '../plan/change/apply.ts'
import fc from 'fast-check'
import { readOpml } from '../formats/opml.ts'
import type { PageEntry } from '../plan/entry.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import type { Piece } from '../plan/surround/piece.ts'
import type { Place } from '../plan/surround/place.ts'
import {
  EMPTY_SURROUND,
  STANDARD_SURROUND,
  type PiecesSurround,
  allPieces,
} from '../plan/surround/surround.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { arbitrarySurround } from '../testing/arbitrarySurround.ts'
import { htmlFaults } from '../testing/htmlValidator.ts'
import { attribute, isInside, readPage, textOf } from '../testing/readPage.ts'
import { YEAR } from '../testing/year.ts'
import { MOST_PARTS } from '../plan/surround/surround.ts'
import { createPageWriter } from './pageWriter.ts'

const pagesOf = (site: Site): PageEntry[] =>
  [...walk(site.plan)].flatMap(({ entry }) => (isWritten(site, entry) ? [entry] : []))

describe('any surround over any plan', () => {
  test('comes out conforming (html-validate), one first heading a page, nothing of ours left in it', async () => {
    await fc.assert(
      fc.asyncProperty(arbitrarySite(8, arbitrarySurround), async (site) => {
        const renderer = createPageWriter(site, YEAR)
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
          expect(labels.every((label) => label)).toBe(true)
          // Only what is the same in two places has one name.
          const things = [...allPieces(site.surround)].map(({ piece }) =>
            piece.kind === 'menu' ? `menu ${piece.menu}` : piece.kind === 'html' ? piece.html : piece.kind,
          )
          const called = [...allPieces(site.surround)].flatMap(({ piece }) =>
            piece.kind === 'html' ? (piece.html.match(/<put-(?:menu|pager|breadcrumb)/g) ?? []) : [],
          )
          const repeats = things.length - new Set(things).size + called.length
          expect(labels.length - new Set(labels).size).toBeLessThanOrEqual(repeats)
        }
      }),
      { numRuns: 100 },
    )
  })

  test('has at most one current item a menu, whatever the marks are called', () => {
    fc.assert(
      fc.property(arbitrarySite(12, arbitrarySurround), (site) => {
        const renderer = createPageWriter(site, YEAR)
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

function siteWithPieces(pieces: Partial<Record<Place, Piece[]>>, rules: Partial<PiecesSurround> = {}): Site {
  const places = { ...EMPTY_SURROUND.places, ...pieces }
  return { ...plan, surround: { ...STANDARD_SURROUND, ...rules, places } }
}
const page = (site: Site, id: string) => createPageWriter(site, YEAR).page(id)
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

  test('contact: what a mail address may hold is encoded in its link (RFC 6068, 2), and a number of a register is none', () => {
    const lines = 'a?b&c#d@example.org\n50%off@example.org\nCharity no. 1045617\nRegistered charity: 1045617'
    const html = page(
      siteWithPieces({ footer: [piece({ id: 'c', kind: 'contact', heading: '', lines })] }),
      'home',
    )
    const links = readPage(html)
      .all('a')
      .filter((link) => isInside(link, 'footer'))
      .map((link) => attribute(link, 'href'))
    expect(links).toEqual(['mailto:a%3Fb%26c%23d@example.org', 'mailto:50%25off@example.org'])
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

  const inContent = (html: string, id: string, more: Partial<PiecesSurround> = {}) => {
    const site = siteWithPieces({}, more)
    const entries = new Map(site.plan.entries)
    const entry = entries.get(id) as PageEntry
    entries.set(id, { ...entry, body: { html, changed: '' } })
    return readPage(page({ ...site, plan: { ...site.plan, entries } }, id))
  }

  const items = (read: ReturnType<typeof readPage>) =>
    read.all('li').map((item) => textOf(item).replace(/\s+/g, ' ').trim())

  test('main content lists the pages under it, to a depth, with descriptions where asked for', () => {
    const pages = inContent('<p>In it: <put-pages></put-pages> and more</p>', 'visit')
    expect(items(pages)).toEqual(['Times', 'Access'])
    expect(pages.all('p').map(textOf)).toEqual(['In it:  and more'])
    expect(items(inContent('<put-pages depth="2">', 'home'))).toEqual([
      ...['Visit Times Access', 'Times', 'Access', 'Walk Stage 1', 'Stage 1', 'Boats'],
    ])
    expect(inContent('<put-pages></put-pages>', 'boats').all('ul')).toEqual([])
  })

  // WCAG 2.2, 2.4.5, technique G63: a site map. https://www.w3.org/WAI/WCAG22/Techniques/general/G63
  test('a map of the site has a link to every page, and marks the one it stands on', () => {
    const map = inContent('<put-site-map></put-site-map>', 'access')
    const links = map.all('a').filter((link) => isInside(link, 'ul'))
    expect(links.map(textOf)).toEqual(['Home', 'Visit', 'Times', 'Access', 'Stage 1', 'Boats'])
    expect(links.map((link) => attribute(link, 'aria-current'))).toEqual([
      ...[undefined, undefined, undefined, 'page', undefined, undefined],
    ])
    const asText = inContent('<put-site-map>', 'access', {
      here: { ...STANDARD_SURROUND.here, form: 'text' },
    })
    expect(asText.all('span').map(textOf)).toContain('Access')
  })

  test('main content shows a menu under a name and ids that no other on the page has, and the year', () => {
    const menu = piece({ id: 'm', kind: 'menu', menu: 'main', shape: 'opening', folds: false })
    const html = '<p>© <put-year></p><put-menu menu="Main" shape="opening"></put-menu>'
    const site = siteWithPieces({ header: [menu] })
    const entries = new Map(site.plan.entries)
    for (const id of ['home', 'visit']) {
      const entry = [...entries.values()].find((one) => one.id === id) as PageEntry
      entries.set(id, { ...entry, body: { html, changed: '' } })
    }
    const renderer = createPageWriter({ ...site, plan: { ...site.plan, entries } }, YEAR)
    // Whichever page was written before, the ids are the same.
    const once = renderer.page('visit')
    renderer.page('home')
    expect(renderer.page('visit')).toBe(once)
    const read = readPage(once)
    const ids = read.elements.flatMap((element) => attribute(element, 'id') ?? [])
    expect(new Set(ids).size).toBe(ids.length)
    expect(textOf(read.all('p')[0]!)).toBe(`© ${YEAR}`)
    expect(isInside(read.all('nav').at(-1)!, 'main')).toBe(true)
  })

  test('a text calls so many lists at most, and thousands of calls take no longer than they must', () => {
    const calls = '<p>x</p><put-site-map></put-site-map>'.repeat(12_000)
    const read = inContent(calls, 'access')
    expect(read.all('ul').filter((list) => !isInside(list, 'ul'))).toHaveLength(MOST_PARTS)
    expect(inContent('<p>x</p><put-pages></put-pages>'.repeat(12_000), 'boats').all('p')).toHaveLength(12_000)
    expect(inContent('<put-year>'.repeat(300), 'boats').all('main').map(textOf)).toEqual([
      expect.stringContaining(String(YEAR).repeat(300)),
    ])
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

describe('names and landmarks', () => {
  const menuPiece = (id: string, menu: string): Piece => ({
    id,
    kind: 'menu',
    beside: false,
    menu,
    shape: 'stack',
    folds: false,
  })
  const menus = ['Main', 'Main', 'Main 2'].map((name, n) => ({
    id: `m${n}`,
    kind: 'plan' as const,
    name,
    from: { at: 'home' as const },
    depth: 1 as const,
    exceptions: [],
  }))
  const labels = (site: Site) =>
    readPage(createPageWriter(site, YEAR).page('visit'))
      .all('nav')
      .map((nav) => attribute(nav, 'aria-label'))

  test('different menus have different names, and one in two places has the same (WCAG 2.2, 3.2.4)', () => {
    const pieces = ['m0', 'm1', 'm2'].map((menu) => menuPiece(`p-${menu}`, menu))
    const site = siteWithPieces({ header: pieces, footer: [menuPiece('again', 'm1')] }, { menus })
    expect(labels(site)).toEqual(['Main', 'Main 2', 'Main 2 2', 'Main 2'])
  })

  test('at the side, navigation alone is in no landmark around it; anything else is in an aside', () => {
    const text: Piece = { id: 'text', kind: 'text', beside: false, text: 'Open daily.' }
    const around = (side: Piece[]) => {
      const html = createPageWriter(siteWithPieces({ side }, { menus }), YEAR).page('visit')
      return readPage(html).elements.find((one) => attribute(one, 'class') === 'side')?.tagName
    }
    expect([around([menuPiece('p', 'm0')]), around([menuPiece('p', 'm0'), text])]).toEqual(['div', 'aside'])
  })

  test('a pager that shows labels alone says which way it leads', () => {
    const pager: Piece = { id: 'pager', kind: 'pager', beside: false, shows: 'labels', up: false }
    const page = readPage(createPageWriter(siteWithPieces({ after: [pager] }), YEAR).page('visit'))
    const said = page.all('a').filter((a) => /prev|next/.test(attribute(a, 'rel') ?? ''))
    expect(said.map((a) => attribute(a, 'aria-label'))).toEqual(['Previous: Home', 'Next: Times'])
  })

  test('the id of a body stays when its page is renamed, and no two pages have one', () => {
    const here = { ...STANDARD_SURROUND.here, bodyId: true }
    const site = siteWithPieces({}, { here })
    const idOf = (at: Site, page: string) =>
      attribute(readPage(createPageWriter(at, YEAR).page(page)).all('body')[0]!, 'id')
    const renamed = applyChange(site, {
      kind: 'setEntry',
      entry: 'visit',
      field: 'title',
      value: '日本',
    }).site
    expect(idOf(renamed, 'visit')).toBe(idOf(site, 'visit'))
    const ids = pagesOf(site).map(({ id }) => idOf(site, id))
    expect(new Set(ids).size).toBe(ids.length)
  })

  test.each([
    ['<h1>Own</h1><p>x</p>', ['Own']],
    ['<h1></h1><p>x</p>', ['Visit', '']],
    ['<template><h1>Not shown</h1></template><p>x</p>', ['Visit', 'Not shown']],
  ])('the body %j has the headings %j', (html, expected) => {
    const value = { html, changed: '' }
    const site = applyChange(siteWithPieces({}), {
      kind: 'setEntry',
      entry: 'visit',
      field: 'body',
      value,
    }).site
    const page = readPage(createPageWriter(site, YEAR).page('visit'))
    expect(page.all('h1').map(textOf)).toEqual(expected)
  })
})
