import fc from 'fast-check'
import { addressesOf } from '../address/addresses.ts'
import { readOpml } from '../formats/opml.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { Change } from '../plan/change/change.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import { childrenOf, type Plan } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import {
  STANDARD_SURROUND,
  type Surround,
  piecesOf,
  withTemplates,
  templatesOf,
} from '../plan/surround/surround.ts'
import type { Menu } from '../plan/surround/menu.ts'
import type { Piece } from '../plan/surround/piece.ts'
import { createPageWriter } from '../render/pageWriter.ts'
import { anyChange, arbitraryDraws, arbitraryStart } from '../testing/arbitraryChange.ts'
import { arbitraryPick, arbitrarySite, changeOfPick } from '../testing/arbitrarySite.ts'
import { arbitrarySurround } from '../testing/arbitrarySurround.ts'
import { attribute, isInside, readPage, type ReadPage } from '../testing/readPage.ts'
import { PAGE_PARTS } from '../page/parts.ts'
import { partBeforeAndAfter, rippleOf, rippleWritten } from './ripple.ts'
import { movements, rippleWords } from './rippleWords.ts'
import { YEAR } from '../testing/year.ts'

/** Every page of the finished site: its path and its HTML. */
function output(site: Site): Map<string, { path: string; html: string }> {
  const renderer = createPageWriter(site, YEAR)
  const { paths } = addressesOf(site)
  const pages = new Map<string, { path: string; html: string }>()
  for (const entry of site.plan.entries.values()) {
    if (isWritten(site, entry))
      pages.set(entry.id, { path: paths.get(entry.id)!, html: renderer.page(entry.id) })
  }
  return pages
}

/** The outer HTML between two marks of a finished page, found in its text and not by our renderer. */
const cut = (html: string, from: RegExp, to: string) => {
  const start = html.search(from)
  return start < 0 ? '' : html.slice(start, html.indexOf(to, start) + to.length)
}
const MARKS = / class="(here|within)"| aria-current="(page|true)"/g

/** What differs between two finished pages, found by reading their HTML. */
function differences(before: string, after: string): Set<string> {
  const found = new Set<string>()
  const differs = (part: string, of: (html: string) => string) => {
    if (of(before) !== of(after)) found.add(part)
  }
  differs('title', (html) => cut(html, /<title>/, '</title>'))
  differs('breadcrumb', (html) => cut(html, /<nav class="breadcrumb"/, '</nav>'))
  differs('footer', (html) => cut(html, /<footer/, '</footer>'))
  differs('header', (html) => cut(html, /<div class="brand"/, '</div>'))
  differs('heading', (html) => cut(html, /<h1>/, '</h1>'))
  differs(
    'pager',
    (html) =>
      cut(html, /<nav class="pager"/, '</nav>') + (html.match(/<link rel="(prev|next)".*/g) ?? []).join(),
  )
  const menu = (html: string) => cut(html, /<nav class="menu /, '</nav>')
  if (menu(before) !== menu(after))
    found.add(menu(before).replace(MARKS, '') === menu(after).replace(MARKS, '') ? 'here mark' : 'menu')
  return found
}

const SECTION_MENU = {
  ...{ id: 'section', kind: 'plan', name: 'Section', depth: 2, exceptions: [] },
  from: { at: 'section' },
} satisfies Menu

/** Menus that follow the page, opened as deep as they can be, and links to entries under the names that these have. */
function sectionsOf(plan: Plan): Surround {
  const { places, menus } = STANDARD_SURROUND
  const pages = [...plan.entries.values()].filter(({ kind }) => kind === 'page').slice(-6)
  const links = (id: string): Piece => ({
    ...{ id, kind: 'links', beside: false, label: 'Links' },
    links: pages.map(({ id: entry }, at) => ({
      ...{ id: `${id}-${at}`, label: '', isButton: false },
      target: { to: 'entry', entry, fragment: '' },
    })),
  })
  const sections = (['stack', 'line', 'opening'] as const).map((shape): Piece => ({
    ...{ id: shape, kind: 'menu', beside: false, menu: 'section', shape, folds: false },
  }))
  return {
    ...STANDARD_SURROUND,
    places: { ...places, side: [...sections, links('more')], footer: [...places.footer, links('legal')] },
    menus: [...menus, { ...SECTION_MENU, depth: 3 }],
  }
}

/** The same in a site of its kind. */
function sectionsLike({ plan, surround }: Site): Surround {
  const templates = templatesOf(surround)
  return templates ? withTemplates(sectionsOf(plan), templates) : sectionsOf(plan)
}

/** Takes the link away that alone stands under an entry, or puts one there. */
function linkTurned({ plan }: Site, n: number): Change {
  const ids = [...plan.entries.keys()].filter((id) => plan.entries.get(id)!.kind !== 'link')
  const parent = ids[n % ids.length]!
  const [first, ...more] = childrenOf(plan, parent)
  if (first !== undefined && more.length === 0) return { kind: 'remove', entries: [first] }
  const target = { to: 'entry' as const, entry: ids[(n * 7) % ids.length]!, fragment: '' }
  const link = {
    kind: 'link' as const,
    id: `link-${n}`,
    label: 'On',
    note: '',
    inMenu: true,
    target,
    entries: [],
  }
  return { kind: 'add', parent, place: 0, branches: [link] }
}

const textHrefs = (page: ReadPage) =>
  page.elements
    .filter((element) => isInside(element, 'main'))
    .map((element) => attribute(element, 'href') ?? attribute(element, 'src'))

describe('the ripple of a change', () => {
  test('lists the pages whose finished file differs and no other, on random plans and changes', () => {
    fc.assert(
      fc.property(
        arbitrarySite(16),
        fc.array(arbitraryPick, { minLength: 1, maxLength: 4 }),
        (before, picks) => {
          let after = before
          picks.forEach((pick, at) => {
            try {
              after = applyChange(after, changeOfPick(after.plan, pick, at)).site
            } catch (error) {
              if (!(error instanceof ChangeRefused)) throw error
            }
          })
          const was = output(before)
          const is = output(after)
          const ids = new Set([...was.keys(), ...is.keys()])
          const different = [...ids].filter(
            (id) => was.get(id)?.path !== is.get(id)?.path || was.get(id)?.html !== is.get(id)?.html,
          )
          const { pages } = rippleOf(before, after, YEAR)
          expect(pages.map(({ page }) => page).sort()).toEqual(different.sort())
          for (const ripple of pages) {
            const [a, b] = [was.get(ripple.page), is.get(ripple.page)]
            expect([ripple.before, ripple.after]).toEqual([a?.path, b?.path])
            if (!a || !b) continue
            const found = differences(a.html, b.html)
            for (const part of ['title', 'breadcrumb', 'footer', 'header', 'heading', 'pager'] as const)
              expect([part, ripple.parts.includes(part)]).toEqual([part, found.has(part)])
            expect(ripple.parts.includes('menu') || ripple.parts.includes('here mark')).toBe(
              found.has('menu') || found.has('here mark'),
            )
            if (found.has('here mark')) expect(ripple.parts).toContain('here mark')
            if (!ripple.parts.includes('main content')) {
              const [from, to] = [textHrefs(readPage(a.html)), textHrefs(readPage(b.html))]
              expect(ripple.textLinks).toBe(from.filter((href, at) => href !== to[at]).length)
            }
            // Every part that is named differs in what is shown of it, and together they are all that differs.
            for (const part of ripple.parts) {
              if (part === 'head' || part === 'here mark' || part === 'menu') continue
              const shown = partBeforeAndAfter(before, after, ripple.page, part, YEAR)
              expect(shown.before).not.toBe(shown.after)
            }
          }
        },
      ),
      { numRuns: 150 },
    )
  })

  test('is the same, part by part, as when every page is written, for changes of every kind and setting', () => {
    let reached = 0
    const parts = new Set<string>()
    fc.assert(
      fc.property(
        arbitraryStart(12, arbitrarySurround),
        fc.boolean(),
        fc.array(fc.oneof(arbitraryDraws, arbitraryPick, fc.record({ linkUnder: fc.nat(20) })), {
          minLength: 1,
          maxLength: 6,
        }),
        (start, isOfSections, steps) => {
          let before = isOfSections ? { ...start, surround: sectionsLike(start) } : start
          for (const [at, one] of steps.entries()) {
            let after = before
            try {
              const change =
                'numbers' in one
                  ? anyChange(before, one, at)
                  : 'linkUnder' in one
                    ? linkTurned(before, one.linkUnder)
                    : changeOfPick(before.plan, one, at)
              after = applyChange(before, change).site
            } catch (error) {
              if (!(error instanceof ChangeRefused)) throw error
            }
            const quick = rippleOf(before, after, YEAR)
            expect(quick).toEqual(rippleWritten(before, after, YEAR))
            if (quick.pages.length > 0 && before.surround === after.surround) {
              reached++
              for (const page of quick.pages) for (const part of page.parts) parts.add(part)
            }
            before = after
          }
        },
      ),
      { numRuns: Number(process.env['VIATICA_RIPPLES'] ?? 400) },
    )
    // Also what is worked out without writing a page was met.
    expect(reached).toBeGreaterThan(200)
    expect([...parts]).toEqual(expect.arrayContaining(['menu', 'here mark', 'text links', 'footer', 'side']))
  }, 300_000)

  test('the same between any two surrounds: the pages that differ, each with a part that differs', () => {
    fc.assert(
      fc.property(arbitrarySite(6, arbitrarySurround), arbitrarySurround, (before, surround) => {
        const after = { ...before, surround }
        const [was, is] = [output(before), output(after)]
        const different = [...was.keys()].filter((id) => was.get(id)?.html !== is.get(id)?.html)
        const { pages } = rippleOf(before, after, YEAR)
        expect(pages.map(({ page }) => page).sort()).toEqual(different.sort())
        for (const { parts } of pages) expect(parts).not.toEqual([])
      }),
      { numRuns: 100 },
    )
  })

  test('a link that goes from under a page changes the section menu of that page, and of no other', () => {
    const link = {
      ...{ kind: 'link' as const, id: 'shop', label: 'Shop', note: '', inMenu: true, entries: [] },
      target: { to: 'address' as const, url: 'https://example.org/' },
    }
    const before = make(
      { kind: 'add', parent: 'locks', place: 0, branches: [link] },
      { kind: 'addMenu', at: 1, menu: { ...SECTION_MENU, depth: 3 } },
      {
        kind: 'addPiece',
        place: 'side',
        at: 0,
        piece: { id: 's', kind: 'menu', beside: false, menu: 'section', shape: 'stack', folds: false },
      },
    )
    const after = applyChange(before, { kind: 'remove', entries: ['shop'] }).site
    const ripple = rippleOf(before, after, YEAR)
    expect(ripple.pages.map(({ page }) => page)).toEqual(['locks'])
    expect(ripple).toEqual(rippleWritten(before, after, YEAR))
  })

  test('one piece that is set changes the part it belongs to, and no other', () => {
    const setLinks = (label: string): Change => ({
      kind: 'addPiece',
      place: 'side',
      at: 0,
      piece: { id: 'side-text', kind: 'text', beside: false, text: label },
    })
    const parts = (change: Change) => rippleOf(site, make(change), YEAR).pages.map((page) => page.parts)
    expect(parts(setLinks('Open'))).toEqual(Array(5).fill(['side']))
    expect(parts({ kind: 'removePiece', piece: 'breadcrumb' })).toEqual(Array(4).fill(['breadcrumb']))
    expect(parts({ kind: 'movePiece', piece: 'pager', place: 'footer', at: 0, beside: false })).toEqual(
      Array(5).fill(['pager']),
    )
    const look = { ...piecesOf(site.surround).look, size: 19 as const }
    const restyled = rippleOf(site, make({ kind: 'setSurround', field: 'look', value: look }), YEAR)
    expect(restyled.pages).toEqual([])
    expect(rippleWords(restyled)).toBe('the style sheet of all pages')
    const here = { ...piecesOf(site.surround).here, form: 'text' as const }
    expect(parts({ kind: 'setSurround', field: 'here', value: here })).toEqual(Array(5).fill(['here mark']))
  })

  const site = readOpml(`<opml version="2.0"><head><title>Trust</title></head><body><outline text="Home">
    <outline text="Boating"><outline text="Locks"/><outline text="Moorings"/></outline>
    <outline text="Walks"/></outline></body></opml>`)
  const make = (...changes: Change[]) => changes.reduce((now, change) => applyChange(now, change).site, site)

  test('is said in one line', () => {
    const linked = make({
      kind: 'setEntry',
      entry: 'walks',
      field: 'body',
      value: {
        html: '<p><a href="entry:locks">Locks</a> <a href="entry:locks#top">again</a></p>',
        changed: '',
      },
    })
    const renamed = applyChange(linked, {
      kind: 'setEntry',
      entry: 'locks',
      field: 'title',
      value: 'Lock guide',
    }).site
    // Its own address and title, every menu, its own breadcrumb, the pagers on both sides of it, two links.
    expect(rippleWords(rippleOf(linked, renamed, YEAR))).toBe(
      '1 address, the menus of 5 pages, breadcrumbs of 1, previous and next of 2, titles of 1, headings of 1, 2 links in text',
    )
    const inMenu = applyChange(linked, {
      kind: 'setEntry',
      entry: 'walks',
      field: 'label',
      value: 'On foot',
    }).site
    expect(rippleWords(rippleOf(linked, inMenu, YEAR))).toMatch(
      /^1 address, the menus of 5 pages, breadcrumbs of 1,/,
    )
    const removed = applyChange(linked, { kind: 'remove', entries: ['boating'] }).site
    const ripple = rippleOf(linked, removed, YEAR)
    expect(movements(ripple).gone.map(({ page }) => page)).toEqual(['boating', 'locks', 'moorings'])
    expect(rippleWords(ripple)).toMatch(/^3 pages fewer, the menus of 2 pages/)
    expect(
      rippleWords(
        rippleOf(site, make({ kind: 'setEntry', entry: 'walks', field: 'note', value: 'x' }), YEAR),
      ),
    ).toBe('no page changes')
  })

  test('names every part that it can find', () => {
    expect(new Set(PAGE_PARTS).size).toBe(PAGE_PARTS.length)
    const moved = make({ kind: 'setSite', field: 'layout', value: 'folders' })
    expect(rippleOf(site, moved, YEAR).pages.find(({ page }) => page === 'locks')?.parts).toEqual([
      'head',
      'header',
      'menu',
      'breadcrumb',
      'pager',
    ])
  })
})
