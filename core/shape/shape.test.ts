import fc from 'fast-check'
import { addressesOf } from '../address/addresses.ts'
import { readOpml } from '../formats/opml.ts'
import { type Branch, entriesOfBranch } from '../plan/branch.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { Change, SingleChange } from '../plan/change/change.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import { changeWords } from '../plan/change/changeWords.ts'
import { labelOf } from '../plan/entry.ts'
import { childrenOf, entryOf, isWithin, walk } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import {
  copyBranch,
  forAnotherSite,
  moveAll,
  removeAll,
  setStateOfAll,
  sortUnder,
  standAll,
  stepOf,
  topmost,
} from './shape.ts'

const site = readOpml(`<opml version="2.0"><head><title>Trust</title></head><body><outline text="Home">
  <outline text="B"><outline text="B2"/><outline text="B10"/></outline>
  <outline text="C"/><outline text="D" type="link" url="https://example.org/"/><outline text="A"/>
  </outline></body></opml>`)
const shape = ({ plan }: Site) =>
  [...walk(plan)]
    .slice(1)
    .map(({ entry, depth }) => '.'.repeat(depth - 1) + labelOf(entry))
    .join(' ')
const after = (change: Change | undefined, on = site) => applyChange(on, change!).site
let made = 0
const newId = () => `new-${++made}`

test('several entries move as one, keep their order, and take along what is under them', () => {
  expect(shape(after(moveAll(site.plan, ['a', 'b2', 'b'], 'home', 'c')))).toBe('B .B2 .B10 A C D')
  expect(shape(after(moveAll(site.plan, ['a', 'c'], 'b', undefined)))).toBe('B .B2 .B10 .C .A D')
  expect(shape(after(moveAll(site.plan, ['b2', 'a'], 'home', 'b')))).toBe('B2 A B .B10 C D')
  expect(moveAll(site.plan, ['home'], 'b', undefined)).toBeUndefined()
  expect(changeWords(site, moveAll(site.plan, ['a', 'c'], 'b', undefined)!)).toBe('2 entries moved under “B”')
})

test('on random plans, entries that move stand side by side where they were put, and nothing else moves', () => {
  fc.assert(
    fc.property(arbitrarySite(14), fc.array(fc.nat(), { maxLength: 4 }), fc.nat(), (random, picks, to) => {
      const ids = [...walk(random.plan)].map(({ entry }) => entry.id)
      const chosen = picks.map((pick) => ids[pick % ids.length]!)
      const parent = ids[to % ids.length]!
      const before = childrenOf(random.plan, parent)[to % 3]
      const change = moveAll(random.plan, chosen, parent, before)
      if (!change) return
      let moved: Site
      try {
        moved = applyChange(random, change).site
      } catch (error) {
        expect(error).toBeInstanceOf(ChangeRefused)
        return
      }
      const moving = topmost(random.plan, chosen)
      const stay = (plan: Site['plan'], id: string) =>
        childrenOf(plan, id).filter((at) => !moving.includes(at))
      const now = childrenOf(moved.plan, parent)
      const first = now.indexOf(moving[0]!)
      expect(now.slice(first, first + moving.length)).toEqual(moving)
      if (before !== undefined && !moving.includes(before)) expect(now[first + moving.length]).toBe(before)
      for (const id of ids) expect(stay(moved.plan, id)).toEqual(stay(random.plan, id))
    }),
  )
})

test('a step up, down, in or out takes entries that stand side by side', () => {
  const step = (ids: string[], direction: Parameters<typeof stepOf>[2]) => {
    const to = stepOf(site.plan, ids, direction)
    return to && shape(after(moveAll(site.plan, ids, to.parent, to.before)))
  }
  expect(step(['c', 'd'], 'up')).toBe('C D B .B2 .B10 A')
  expect(step(['b', 'c'], 'down')).toBe('D B .B2 .B10 C A')
  expect(step(['c', 'a'], 'in')).toBe('B .B2 .B10 .C .A D')
  expect(step(['a'], 'in')).toBe('B .B2 .B10 C .A D')
  expect(step(['b2', 'b10'], 'out')).toBe('B B2 B10 C D A')
  expect(step(['b'], 'up')).toBeUndefined()
  expect(step(['b'], 'in')).toBeUndefined()
  expect(step(['c'], 'out')).toBeUndefined()
  expect(step(['home'], 'down')).toBeUndefined()
})

test('state, menus and order are set for all that can have them', () => {
  const planned = after(setStateOfAll(site.plan, ['home', 'b', 'c', 'd'], 'planned'))
  expect(['home', 'b', 'c'].map((id) => (entryOf(planned.plan, id) as { state: string }).state)).toEqual([
    'draft',
    'planned',
    'planned',
  ])
  expect(setStateOfAll(planned.plan, ['b', 'd'], 'planned')).toBeUndefined()
  const out = after(standAll(site.plan, ['c', 'd'], 'inMenu', false))
  expect(['c', 'd'].map((id) => entryOf(out.plan, id).inMenu)).toEqual([false, false])
  expect(standAll(site.plan, ['d'], 'inOrder', false)).toBeUndefined()
})

test('what is under removed entries goes too, or moves up to stand in their place', () => {
  expect(shape(after(removeAll(site, ['b', 'b2', 'a'], 'go-too')))).toBe('C D')
  expect(shape(after(removeAll(site, ['b'], 'move-up')))).toBe('B2 B10 C D A')
  expect(removeAll(site, ['home'], 'move-up')).toBeUndefined()
  fc.assert(
    fc.property(arbitrarySite(14), fc.array(fc.nat(), { minLength: 1, maxLength: 5 }), (random, picks) => {
      const ids = [...walk(random.plan)].map(({ entry }) => entry.id)
      const chosen = new Set(picks.map((pick) => ids[pick % ids.length]!))
      const change = removeAll(random, [...chosen], 'move-up')
      if (!change) return
      // The order of those that stay, and who stands under whom among them, is what it was.
      const left = applyChange(random, change).site.plan
      const stay = ids.filter((id) => id === random.plan.home || !chosen.has(id))
      expect([...walk(left)].map(({ entry }) => entry.id)).toEqual(stay)
      for (const a of stay)
        for (const b of stay) expect(isWithin(left, a, b)).toBe(isWithin(random.plan, a, b))
    }),
  )
})

test('the entries under a page are sorted once, numbers by their size', () => {
  const { names } = addressesOf(site)
  expect(shape(after(sortUnder(site, 'home', 'title', names)))).toBe('A B .B2 .B10 C D')
  expect(sortUnder(site, 'b', 'title', names)).toBeUndefined()
  const named = after({ kind: 'setEntry', entry: 'b2', field: 'fileName', value: 'z' })
  expect(shape(after(sortUnder(named, 'b', 'file name', addressesOf(named).names), named))).toBe(
    'B .B10 .B2 C D A',
  )
})

describe('a copy', () => {
  const body = (html: string): Change => ({
    kind: 'setEntry',
    entry: 'b',
    field: 'body',
    value: { html, changed: '2026-05-01' },
  })
  const written = after(
    { kind: 'setEntry', entry: 'b', field: 'pin', value: { name: 'b', addresses: ['b.html'] } },
    after(body('<a href="entry:b2">under</a> <a href="entry:c">beside</a> <img src="site-file:x">')),
  )
  const rule = { title: 'B again', withUnder: true, withBody: true, newId }
  const html = (branch: Branch) => (branch.kind === 'page' ? branch.body.html : '')

  test('has ids, a title and an address of its own, and its links follow to what is copied with it', () => {
    const copy = copyBranch(written.plan, 'b', rule)
    const ids = [...entriesOfBranch(copy)].map(({ entry }) => entry.id)
    expect(ids.some((id) => written.plan.entries.has(id))).toBe(false)
    expect(copy).toMatchObject({ title: 'B again', pin: null, seen: null, state: 'draft' })
    expect(html(copy)).toBe(
      `<a href="entry:${ids[1]}">under</a> <a href="entry:c">beside</a> <img src="site-file:x">`,
    )
    const both = after({ kind: 'add', parent: 'home', place: 1, branches: [copy] }, written)
    expect(shape(both)).toBe('B .B2 .B10 B again .B2 .B10 C D A')
    expect(new Set(addressesOf(both).paths.values()).size).toBe(addressesOf(both).paths.size)
  })

  test('takes link entries along: to what is copied with them, else to where they led', () => {
    const link = (id: string, entry: string): SingleChange => ({
      kind: 'add',
      parent: 'b',
      place: 0,
      branches: [
        {
          ...{ kind: 'link', id, label: id, note: '', inMenu: true, entries: [] },
          target: { to: 'entry', entry, fragment: 'x' },
        },
      ],
    })
    const linked = after(link('out', 'c'), after(link('within', 'b2'), written))
    const copy = copyBranch(linked.plan, 'b', rule)
    const targets = copy.entries.flatMap((one) => (one.kind === 'link' ? [one.target] : []))
    const copied = copy.entries.find((one) => one.kind === 'page' && one.title === 'B2')!
    expect(targets).toEqual([
      { to: 'entry', entry: 'c', fragment: 'x' },
      { to: 'entry', entry: copied.id, fragment: 'x' },
    ])
    const elsewhere = forAnotherSite(copy, 'home')
    expect(elsewhere.entries.flatMap((one) => (one.kind === 'link' ? [one.target] : []))).toEqual([
      { to: 'entry', entry: 'home', fragment: '' },
      { to: 'entry', entry: copied.id, fragment: 'x' },
    ])
  })

  test('leaves behind what it is told to', () => {
    const bare = copyBranch(written.plan, 'b', { ...rule, withUnder: false, withBody: false })
    expect(bare.entries).toEqual([])
    expect(html(bare)).toBe('')
  })

  test('for another site points to nothing that is not there', () => {
    const copy = copyBranch(written.plan, 'b', rule)
    expect(html(forAnotherSite(copy, 'home'))).toBe(
      `<a href="entry:${copy.entries[0]!.id}">under</a> <a href="entry:left-behind">beside</a> <img src="entry:left-behind">`,
    )
  })
})
