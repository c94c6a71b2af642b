import fc from 'fast-check'
import { addressesOf } from '../address/addresses.ts'
import { EDITS, edited, sectionsOf } from '../testing/handEdits.ts'
import {
  arbitraryHandSite,
  FAULTS,
  type FaultKind,
  type HandPage,
  type HandSite,
  handFiles,
  orderOf,
  PART_OF,
} from '../testing/handMade.ts'
import { clicksFromHome, linkGraph } from '../statistics/linkGraph.ts'
import { applyChange } from '../plan/change/apply.ts'
import { rippleOf } from '../ripple/ripple.ts'
import { found, written } from '../testing/written.ts'
import { YEAR } from '../testing/year.ts'
import { broughtIntoLine } from './decide.ts'
import { bring } from './bring.ts'

const tellsOrder = ({ habits }: HandSite) => habits.pager !== 'none' || habits.headLinks

const MARKS = {
  'class on li': 'class',
  'class on a': 'class',
  text: 'text',
  strong: 'element',
  'aria-current': 'attribute',
  none: 'none',
} as const

test('a hand-made site comes back to the byte; its plan, its menu and its mark are found, and no drift', () => {
  fc.assert(
    fc.property(arbitraryHandSite, (hand) => {
      const files = handFiles(hand)
      const { site, contents, report } = bring(files)
      expect(written(site, contents)).toEqual(found(files))
      const parents = new Map(report.pages.map(({ path, parent }) => [path, parent]))
      expect(parents).toEqual(new Map(hand.pages.map(({ path, parent }) => [path, parent ?? null])))
      expect(report.drift).toEqual([])
      const titles = new Map(report.pages.map(({ path, title }) => [path, title]))
      expect(titles).toEqual(new Map(hand.pages.map(({ path, title }) => [path, title])))
      expect(report.order).toEqual(tellsOrder(hand) ? orderOf(hand).map(({ path }) => path) : null)
      expect(report.menus[0]!.mark.form).toBe(MARKS[hand.habits.mark])
      const first = report.menus[0]!.items.filter(({ level }) => level === 1)
      expect(first.map(({ label }) => label)).toEqual(['Home', ...sectionsOf(hand).map(({ label }) => label)])
      expect(addressesOf(site).paths.size).toBe(hand.pages.length)
    }),
    { numRuns: 60 },
  )
})

/** Whether a fault can stand on a page, and can be told from what its author meant. */
function canBeTold(hand: HandSite, page: HandPage, kind: FaultKind): boolean {
  const order = orderOf(hand)
  switch (kind) {
    case 'mark':
      return hand.habits.mark !== 'none'
    case 'next':
      return hand.habits.pager !== 'none' && order.indexOf(page) < order.length - 2
    case 'breadcrumb':
      // Where it is the only evidence, a breadcrumb is believed.
      return (
        hand.habits.breadcrumb !== 'none' &&
        tellsOrder(hand) &&
        hand.pages.length > 8 &&
        sectionsOf(hand).length > 2
      )
    case 'missing item':
    case 'order':
    case 'dead link':
    case 'no footer':
      // What stands in one file cannot differ from page to page.
      return hand.pages.length > 4 && hand.habits.shared === 'no'
    case 'old footer':
      return hand.pages.length > 4 && hand.habits.shared === 'no' && hand.habits.foot !== 'dated links'
    case 'no styles':
      return hand.pages.length > 4 && hand.habits.shared !== 'php whole'
    case 'title':
      return hand.pages.length > 4
  }
}

test('a fault of copying is found where it was planted, and nowhere else; brought into line, it is gone', () => {
  fc.assert(
    fc.property(arbitraryHandSite, fc.constantFrom(...FAULTS), fc.nat(), (hand, kind, at) => {
      const order = orderOf(hand)
      const page = order[1 + (at % (order.length - 1))]!
      fc.pre(canBeTold(hand, page, kind))
      const files = handFiles(hand, [{ path: page.path, kind }])
      const { site, choices, contents, report } = bring(files)
      const inLine = broughtIntoLine(site, choices)
      expect(written(site, contents)).toEqual(found(files))
      // Of a foot with a day of its own, only the menu is known.
      const isUnknown = kind === 'no footer' && hand.habits.foot === 'dated links'
      // How a title is written that stands nowhere any more, only its author knows.
      const isGone = kind === 'title' && hand.habits.letters === 'bare'
      const told = report.drift.map(
        ({ path, part }) => `${path} ${isUnknown && part === 'menu' ? 'footer' : part}`,
      )
      expect(new Set(told)).toEqual(new Set([`${page.path} ${PART_OF[kind]}`]))
      if (!isUnknown && !isGone) expect(written(inLine, contents)).toEqual(found(handFiles(hand)))
    }),
    { numRuns: 120 },
  )
})

test('a menu from which more than half is missing is that menu, with items missing', () => {
  const pages: HandPage[] = [
    ['index.html', 'Home'],
    ['roses.html', 'Roses', 'index.html'],
    ['dawn-chorus.html', 'Dawn chorus', 'roses.html'],
    ['herbs.html', 'Herbs', 'index.html'],
    ['old-velvet.html', 'Old velvet', 'herbs.html'],
    ['lemon-thyme.html', 'Lemon thyme', 'herbs.html'],
    ['sweet-rocket.html', 'Sweet rocket', 'herbs.html'],
  ].map(([path, label, parent], n) => ({
    path: path!,
    title: `About ${label!}`,
    label: label!,
    parent,
    content: `<p>It grew from a cutting. (${n})</p>`,
  }))
  fc.assert(
    fc.property(arbitraryHandSite, ({ habits }) => {
      fc.pre(habits.shared === 'no')
      const hand: HandSite = { pages, habits: { ...habits, menu: 'list', nested: true, menuTwice: false } }
      const { site, choices, contents, report } = bring(
        handFiles(hand, [{ path: 'roses.html', kind: 'missing item' }]),
      )
      expect(new Set(report.drift.map(({ path, part }) => `${path} ${part}`))).toEqual(
        new Set(['roses.html menu']),
      )
      const missing = report.drift.map(({ expected }) => expected)
      expect(missing).toEqual(['Herbs', 'Old velvet', 'Lemon thyme', 'Sweet rocket'])
      expect(written(broughtIntoLine(site, choices), contents)).toEqual(found(handFiles(hand)))
    }),
    { numRuns: 30 },
  )
})

test('names with references, lone signs and line breaks are written as their author writes them, new ones in the same habit', () => {
  const names = [
    ['index.htm', 'Begr&uuml;&szlig;ung', 'Begrüßung'],
    ['uber.htm', '&Uuml;ber\n    uns', 'Über uns'],
    ['kunst.htm', 'Kunst & Caf&eacute;', 'Kunst & Café'],
    ['preise.htm', 'Preise ab 10&nbsp;&euro;', 'Preise ab 10 €'],
  ] as const
  const menu = (here: string) =>
    names
      .map(([path, raw]) => (path === here ? `<b>${raw}</b>` : `<a href="${path}">${raw}</a>`))
      .join(' |\n')
  const page = (path: string, raw: string) =>
    `<title>${raw} - Chor</title><p>${menu(path)}</p><h1>${raw}</h1>\n<p>Nur auf ${path}.</p><hr>`
  const files = names.map(([path, raw]) => ({ path, bytes: new TextEncoder().encode(page(path, raw)) }))
  const { site, contents, report } = bring(files)
  expect(report.drift).toEqual([])
  expect(written(site, contents)).toEqual(found(files))
  // No page keeps anything: all of it follows from the plan.
  expect(Object.values(site.surround.templates!.pages).flatMap(({ overrides }) => overrides)).toEqual([])
  const kunst = [...site.plan.entries.values()].find(
    (one) => one.kind === 'page' && one.title === 'Kunst & Café',
  )!
  const renamed = applyChange(site, {
    kind: 'batch',
    changes: [
      { kind: 'setEntry', entry: kunst.id, field: 'title', value: 'Gemälde & Café' },
      { kind: 'setEntry', entry: kunst.id, field: 'label', value: 'Gemälde' },
    ],
  }).site
  for (const [path, text] of written(renamed, contents)) {
    const isHere = path === 'kunst.htm'
    expect(text).toContain(isHere ? '<b>Gem&auml;lde</b>' : '<a href="kunst.htm">Gem&auml;lde</a>')
    expect(text).toContain(
      isHere ? '<h1>Gem&auml;lde &amp; Caf&eacute;</h1>' : names.find(([one]) => one === path)![1],
    )
  }
})

test('after an edit of the plan every page is as its author would have written it by hand', () => {
  fc.assert(
    fc.property(arbitraryHandSite, fc.constantFrom(...EDITS), fc.nat(), (hand, kind, at) => {
      // The day of a page that is added is its author's to say.
      fc.pre(kind !== 'add' || hand.habits.foot !== 'dated links')
      const { site, contents } = bring(handFiles(hand))
      const { after, byHand } = edited(hand, site, kind, at)
      const [was, is] = [written(site, contents), written(after, contents)]
      expect(is).toEqual(found(handFiles(byHand)))
      // The ripple names every page that differs, and no other.
      const differing = [...new Set([...was.keys(), ...is.keys()])].filter(
        (path) => was.get(path) !== is.get(path),
      )
      const ripple = rippleOf(site, after, YEAR)
      const told = ripple.pages.flatMap(({ before, after: now }) => [before, now])
      expect([...new Set([...told, ...ripple.included].flatMap((path) => path ?? []))].sort()).toEqual(
        differing.sort(),
      )
    }),
    { numRuns: 120 },
  )
})

test('every page can be reached from the home page, as in the pages that were taken in', () => {
  fc.assert(
    fc.property(arbitraryHandSite, (hand) => {
      fc.pre(hand.habits.nested || hand.habits.pager !== 'none')
      const { site } = bring(handFiles(hand))
      expect(clicksFromHome(site, linkGraph(site)).size).toBe(hand.pages.length)
    }),
    { numRuns: 30 },
  )
})
