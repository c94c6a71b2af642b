import fc from 'fast-check'
import { labelOf, type LinkTarget, type PageEntry } from '../plan/entry.ts'
import { ancestorsOf, entryOf, walk } from '../plan/plan.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { SetEntry } from '../plan/change/change.ts'
import { isWritten, type Site } from '../plan/site.ts'
import type { Menu } from '../plan/surround/menu.ts'
import type { MenuShape } from '../plan/surround/menuShape.ts'
import { readOpml } from '../formats/opml.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { breadcrumbOf } from './breadcrumb.ts'
import { hereMark, indexOfMenu, itemsOf, itemsShown, type MenuItem } from './menu.ts'
import { neighboursIn, readingOrder, readingRuns } from './readingOrder.ts'
import { documentTitle } from './title.ts'

const site = readOpml(`<opml version="2.0"><head><title>Trust</title></head><body><outline text="Home">
  <outline text="Visit"><outline text="Times"/><outline text="Access"><outline text="Ramps"/></outline></outline>
  <outline text="Walk" type="group"><outline text="Stage 1"/></outline>
  <outline text="Empty" type="group"/>
  <outline text="Shop" type="link" url="https://shop.example.org/"/>
  <outline text="Privacy"/></outline></body></opml>`)

const depth = (levels: 1 | 2 | 3): Site => ({
  ...site,
  surround: {
    ...site.surround,
    menus: site.surround.menus.map((menu) => ({ ...menu, depth: levels }) as Menu),
  },
})
const mainMenu = (from: Site) => itemsOf(from, from.surround.menus[0]!, from.plan.home)
const set = (from: Site, entry: string, field: string, value: unknown): Site =>
  applyChange(from, { kind: 'setEntry', entry, field, value } as SetEntry).site
const shape = (items: readonly MenuItem[]): unknown[] =>
  items.map(({ id, items: under }) => (under.length > 0 ? [id, shape(under)] : id))

describe('the main menu', () => {
  test('has the home page first, beside its children; a group shows when something under it shows', () => {
    expect(shape(mainMenu(depth(2)))).toEqual([
      'home',
      ['visit', ['times', 'access']],
      ['walk', ['stage-1']],
      'shop',
      'privacy',
    ])
    expect(shape(mainMenu(depth(1)))).toEqual(['home', 'visit', 'shop', 'privacy'])
  })

  test('leaves out what is out of the menu or planned, with all under it', () => {
    expect(shape(mainMenu(set(depth(2), 'visit', 'inMenu', false)))).toEqual([
      'home',
      ['walk', ['stage-1']],
      'shop',
      'privacy',
    ])
    expect(shape(mainMenu(set(depth(2), 'stage-1', 'state', 'planned')))).toEqual([
      'home',
      ['visit', ['times', 'access']],
      'shop',
      'privacy',
    ])
  })

  test('leaves out a link whose page is gone', () => {
    const linked = set(site, 'shop', 'target', { to: 'entry', entry: 'privacy', fragment: '' })
    expect(shape(mainMenu(linked))).toContain('shop')
    const gone = applyChange(linked, { kind: 'remove', entries: ['privacy'] }).site
    expect(shape(mainMenu(gone))).toEqual(['home', ['visit', ['times', 'access']], ['walk', ['stage-1']]])
  })
})

describe('other menus', () => {
  const planMenu = (fields: object): Menu =>
    ({ id: 'm', kind: 'plan', name: 'M', from: { at: 'home' }, depth: 3, exceptions: [], ...fields }) as Menu
  const on = (page: string, menu: Menu, as: MenuShape = 'stack', from = site) =>
    shape(itemsShown(from, menu, as, page))

  test('around a page: its top-level section, opened along the way to it; none on the home page', () => {
    const menu = planMenu({ from: { at: 'section' } })
    expect(on('home', menu)).toEqual([])
    expect(on('privacy', menu)).toEqual([])
    expect(on('visit', menu)).toEqual([['visit', ['times', 'access']]])
    expect(on('times', menu)).toEqual([['visit', ['times', 'access']]])
    expect(on('ramps', menu)).toEqual([['visit', ['times', ['access', ['ramps']]]]])
    expect(on('ramps', planMenu({ from: { at: 'section' }, depth: 1 }))).toEqual([
      ['visit', ['times', 'access']],
    ])
    expect(on('stage-1', menu)).toEqual([['walk', ['stage-1']]])
  })

  test('from an entry: what stands under it', () => {
    expect(on('home', planMenu({ from: { at: 'entry', entry: 'visit' } }))).toEqual([
      'times',
      ['access', ['ramps']],
    ])
    expect(on('home', planMenu({ from: { at: 'entry', entry: 'gone' } }))).toEqual([])
  })

  test('an entry is left out of one menu alone, with all under it, or has a label of its own there', () => {
    const exceptions = [
      { entry: 'visit', label: '', leftOut: true },
      { entry: 'shop', label: 'Buy', leftOut: false },
    ]
    const items = itemsOf(site, planMenu({ depth: 2, exceptions }), 'home')
    expect(shape(items)).toEqual(['home', ['walk', ['stage-1']], 'shop', 'privacy'])
    expect(items.map(({ label }) => label)).toEqual(['Home', 'Walk', 'Buy', 'Privacy'])
  })

  test('picked: in the order of the author; what is not on the site is a gap, and comes back with the page', () => {
    const link = (id: string, entry: string) => ({
      id,
      label: id,
      target: { to: 'entry' as const, entry, fragment: '' },
      isButton: false,
    })
    const menu: Menu = {
      id: 'p',
      kind: 'picked',
      name: 'P',
      links: [link('a', 'privacy'), link('b', 'times')],
    }
    expect(on('home', menu)).toEqual(['a', 'b'])
    const without = applyChange(site, { kind: 'remove', entries: ['privacy'] })
    expect(on('home', menu, 'stack', without.site)).toEqual(['b'])
    expect(on('home', menu, 'stack', applyChange(without.site, without.inverse).site)).toEqual(['a', 'b'])
    // The mark finds the page by the entry that the link leads to.
    expect(hereMark(site.plan, indexOfMenu(itemsOf(site, menu, 'times')), 'times').here).toBe('b')
  })

  test('in a row and in a line have one level; of a section menu the section and what is right under it', () => {
    expect(on('home', planMenu({}), 'row')).toEqual(['home', 'visit', 'shop', 'privacy'])
    expect(on('ramps', planMenu({ from: { at: 'section' } }), 'line')).toEqual(['visit', 'times', 'access'])
  })
})

describe('the here mark', () => {
  const markOn = (page: string, menuDepth: 1 | 2) => {
    const menu = mainMenu(depth(menuDepth))
    const { here, nearest, within } = hereMark(site.plan, indexOfMenu(menu), page)
    return { here, nearest, within: [...within] }
  }

  test.each([
    ['home', 2, { here: 'home', nearest: undefined, within: [] }],
    ['visit', 2, { here: 'visit', nearest: undefined, within: [] }],
    ['times', 2, { here: 'times', nearest: undefined, within: ['visit'] }],
    ['times', 1, { here: undefined, nearest: 'visit', within: [] }],
    ['ramps', 2, { here: undefined, nearest: 'access', within: ['visit'] }],
    // The home page is no section: it does not stand for what is under it.
    ['stage-1', 1, { here: undefined, nearest: undefined, within: [] }],
  ] as const)('on %s in a menu of depth %i', (page, menuDepth, expected) => {
    expect(markOn(page, menuDepth)).toEqual(expected)
  })
})

describe('breadcrumbs', () => {
  test('are the ancestors from the home page down, then the page; none on the home page', () => {
    expect(breadcrumbOf(site.plan, { from: 1 }, 'ramps')).toEqual(['home', 'visit', 'access', 'ramps'])
    expect(breadcrumbOf(site.plan, { from: 1 }, 'home')).toEqual([])
  })
})

describe('the reading order', () => {
  const withOrder = (order: Site['surround']['order']): Site => ({
    ...site,
    surround: { ...site.surround, order },
  })

  test('goes depth first, each page before those under it, and passes over groups and links', () => {
    expect(readingOrder(site)).toEqual(['home', 'visit', 'times', 'access', 'ramps', 'stage-1', 'privacy'])
  })

  test('passes over a page that is not in it, but not over those under it', () => {
    expect(readingOrder(set(site, 'visit', 'inOrder', false))).toEqual([
      'home',
      'times',
      'access',
      'ramps',
      'stage-1',
      'privacy',
    ])
  })

  test('within sections: each top-level section for itself, its own page first; pages alone have no neighbours', () => {
    const sections = readingRuns(withOrder({ scope: 'section', series: [] }))
    expect(sections).toEqual([['visit', 'times', 'access', 'ramps'], ['stage-1']])
    expect(neighboursIn(sections)('privacy')).toEqual({
      previous: undefined,
      next: undefined,
    })
  })

  test('in series: only the sections that are picked, one inside another for itself', () => {
    const runs = (series: string[]) => readingRuns(withOrder({ scope: 'series', series }))
    expect(runs([])).toEqual([])
    expect(runs(['visit'])).toEqual([['visit', 'times', 'access', 'ramps']])
    expect(runs(['visit', 'access'])).toEqual([
      ['visit', 'times'],
      ['access', 'ramps'],
    ])
  })

  test('on any plan: next visits every page in it once, previous goes back, and it does not wrap', () => {
    fc.assert(
      fc.property(arbitrarySite(), (any) => {
        const { plan } = any
        const order = readingOrder(any)
        const neighbours = neighboursIn([order])
        const seen: string[] = []
        for (let at: string | undefined = order[0]; at !== undefined; at = neighbours(at).next) {
          expect(neighbours(at).previous).toBe(seen.at(-1))
          seen.push(at)
          expect(seen.length).toBeLessThanOrEqual(order.length)
        }
        expect(seen).toEqual(order)
        const wanted = [...walk(plan)].filter(({ entry }) => isWritten(any, entry) && entry.inOrder)
        expect(order).toHaveLength(wanted.length)
        // A page stands after each of its ancestors that is in the order.
        for (const id of order) {
          for (const above of ancestorsOf(plan, id))
            if (order.includes(above)) expect(order.indexOf(above)).toBeLessThan(order.indexOf(id))
        }
      }),
    )
  })
})

describe('document titles', () => {
  test('follow the pattern; the home page has its own; braces in a title are not read as a pattern', () => {
    const patterned: Site = {
      ...site,
      settings: {
        ...site.settings,
        titlePattern: '{title} | {site}',
        homeTitlePattern: '{site}: {tagline}',
        tagline: 'Locks',
      },
    }
    const title = (from: Site, id: string) => {
      const entry = entryOf(from.plan, id)
      if (entry.kind !== 'page') throw new Error(labelOf(entry))
      return documentTitle(from, entry)
    }
    expect(title(patterned, 'times')).toBe('Times | Trust')
    expect(title(patterned, 'home')).toBe('Trust: Locks')
    expect(title(set(patterned, 'times', 'title', '{site} $& {x}'), 'times')).toBe('{site} $& {x} | Trust')
  })
})

describe('picked links', () => {
  const picking = (from: Site, ...links: [target: LinkTarget, label?: string][]): readonly MenuItem[] => {
    const menu: Menu = {
      id: 'picked',
      kind: 'picked',
      name: 'Picked',
      links: links.map(([target, label = ''], n) => ({ id: `l${n}`, label, target, isButton: false })),
    }
    return itemsOf({ ...from, surround: { ...from.surround, menus: [menu] } }, menu, 'home')
  }
  const entry = (id: string): LinkTarget => ({ to: 'entry', entry: id, fragment: '' })
  const said = (items: readonly MenuItem[]) => items.map(({ label, target }) => [label, target])

  test('lead on where a link of the plan does, and stand as text where there is nothing to lead to yet', () => {
    const shop: LinkTarget = { to: 'address', url: 'https://shop.example.org/' }
    expect(said(picking(site, [entry('shop')], [entry('walk')], [entry('gone')], [entry('times')]))).toEqual([
      ['Shop', shop],
      ['Walk', undefined],
      ['Times', entry('times')],
    ])
    const planned = set(site, 'times', 'state', 'planned')
    expect(said(picking(planned, [entry('times')]))).toEqual([])
    const asText = { ...planned, settings: { ...site.settings, plannedPages: 'text' as const } }
    expect(said(picking(asText, [entry('times')]))).toEqual([['Times', undefined]])
  })

  test('without a label say what the entry says, whatever that comes to be', () => {
    const renamed = set(site, 'times', 'label', 'Opening hours')
    expect(
      said(picking(renamed, [entry('times')], [entry('times'), 'Hours'])).map(([label]) => label),
    ).toEqual(['Opening hours', 'Hours'])
  })

  test('that lead to each other lead nowhere', () => {
    const round = set(site, 'shop', 'target', entry('shop'))
    expect(picking(round, [entry('shop')])).toEqual([])
    expect(shape(mainMenu(round))).not.toContain('shop')
  })
})

describe('what is left out takes nothing along that is on the site', () => {
  test('a planned section that is left out stands as text above its pages', () => {
    const menu = mainMenu(set(depth(2), 'visit', 'state', 'planned'))
    expect(menu.find(({ id }) => id === 'visit')).toMatchObject({
      target: undefined,
      items: [{ id: 'times' }, { id: 'access' }],
    })
    const alone = set(
      set(set(depth(2), 'visit', 'state', 'planned'), 'times', 'state', 'planned'),
      'access',
      'inMenu',
      false,
    )
    expect(shape(mainMenu(alone))).not.toContain('visit')
  })

  test('a section that is out of menus does not stand in its section menu; what is under it does', () => {
    const menu: Menu = { id: 's', kind: 'plan', name: 'S', from: { at: 'section' }, depth: 2, exceptions: [] }
    expect(shape(itemsOf(site, menu, 'ramps'))).toEqual([['visit', ['times', ['access', ['ramps']]]]])
    expect(shape(itemsOf(set(site, 'visit', 'inMenu', false), menu, 'ramps'))).toEqual([
      'times',
      ['access', ['ramps']],
    ])
    const except = { ...menu, exceptions: [{ entry: 'visit', label: '', leftOut: true }] }
    expect(shape(itemsOf(site, except, 'times'))).toEqual(['times', 'access'])
  })

  test('a section menu in one line marks the section of the page in it', () => {
    const menu: Menu = { id: 's', kind: 'plan', name: 'S', from: { at: 'section' }, depth: 2, exceptions: [] }
    const items = itemsShown(site, menu, 'row', 'times')
    expect(hereMark(site.plan, indexOfMenu(items), 'times')).toEqual({
      here: 'times',
      nearest: undefined,
      within: new Set(['visit']),
    })
  })

  test('pages that stand in for planned ones are in the reading order', () => {
    const planned = set(site, 'times', 'state', 'planned')
    expect(readingOrder(planned)).not.toContain('times')
    const held = { ...planned, settings: { ...site.settings, plannedPages: 'stand-in' as const } }
    expect(readingOrder(held)).toEqual(readingOrder(site))
  })
})

test.each([
  ['{title} · {site}', 'Times · Trust'],
  ['{title} – {section} – {site}', 'Times – Visit – Trust'],
  ['{title} · {tagline} · {site}', 'Times · Trust'],
  ['{tagline}: {title}', 'Times'],
  ['{title} ({tagline}) · {site}', 'Times · Trust'],
  ['{title} | {tagline}', 'Times'],
  ['{tagline}', 'Times'],
  ['Trust', 'Trust'],
])('the title of a page by the pattern %j is %j', (titlePattern, expected) => {
  const patterned = { ...site, settings: { ...site.settings, titlePattern } }
  expect(documentTitle(patterned, entryOf(site.plan, 'times') as PageEntry)).toBe(expected)
})

test('no pattern leaves a title empty, and a section has none of its own before it', () => {
  const patterned = {
    ...site,
    settings: { ...site.settings, titlePattern: '{section}: {title}', homeTitlePattern: '{tagline}' },
  }
  expect(documentTitle(patterned, entryOf(site.plan, 'visit') as PageEntry)).toBe('Visit')
  expect(documentTitle(patterned, entryOf(site.plan, 'home') as PageEntry)).toBe('Home')
})
