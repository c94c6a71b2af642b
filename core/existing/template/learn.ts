import { itemAt, lastOf, valueFor } from '../../standard/present.ts'
import { collect } from '../collect.ts'
import type { MenuItem } from '../../navigate/menu.ts'
import {
  type Bits,
  formKey,
  type ItemForm,
  type ItemKind,
  type ItemState,
  type MenuPattern,
  type PagerPattern,
  type TrailPattern,
} from '../../plan/surround/templates.ts'
import { valueOf } from '../../standard/pageTokens.ts'
import type { ReadPage } from '../pages/readPage.ts'
import type { Direction } from '../parts/directions.ts'
import type { LinkGroup } from '../parts/linkGroups.ts'
import { most } from '../most.ts'
import type { PagerOfPage } from '../parts/recognise.ts'
import type { Cut, Sources } from './source.ts'
import { formOfUnit, hrefCut, SPOKEN, type Unit, unitsOf } from './units.ts'

/** The value that is there most often, values being the same when they are written the same. */
function mostOf<T>(values: readonly T[]): T | undefined {
  const key = most(values.map((value) => JSON.stringify(value)))
  return key === undefined ? undefined : (JSON.parse(key) as T)
}

/** The blanks that end before a place. */
function blankBefore(text: string, at: number): string {
  let from = at
  while (from > 0 && /\s/.test(text[from - 1]!)) from--
  return text.slice(from, at)
}

/** On how many pages plain items are looked at: a menu is written alike on all of them. */
export const SAMPLE = 150

/** What an item of a page is to its menu. */
interface KnownItem {
  /** The id of the menu's item. */
  readonly id: string
  readonly state: ItemState
}

/**
 * Learns how a menu is written, from all pages that have it.
 * @param known which item of the menu stands there, and how it stands to the page; undefined for one that is none
 */
export function learnMenu(
  sources: Sources,
  { id, menu, shape }: Pick<MenuPattern, 'id' | 'menu' | 'shape'>,
  groups: readonly LinkGroup[],
  known: (group: LinkGroup, unit: Unit) => KnownItem | undefined,
): MenuPattern {
  const befores: Bits[] = []
  const afters: Bits[] = []
  const betweens: string[][] = []
  /** What stands before the first item of a list: between items, too, where no list has two. */
  const leads: string[][] = []
  const forms = new Map<string, ItemForm[]>()
  const byItem = new Map<string, Map<ItemState, { key: string; forms: ItemForm[] }>>()
  const visit = (group: LinkGroup, units: readonly Unit[], level: number, isSample: boolean) => {
    const { page } = group
    const between = (betweens[level - 1] ??= [])
    if (units[0]) (leads[level - 1] ??= []).push(blankBefore(group.page.text, units[0].start))
    units.forEach((unit, n) => {
      if (n > 0) between.push(page.text.slice(itemAt(units, n - 1).end, unit.start))
      const item = known(group, unit)
      // So many pages tell how plain items are written; how one is marked, only its own page does.
      if (item && (isSample || item.state !== 'plain')) {
        const leads = unit.item.link?.target
        const kind: ItemKind =
          !leads || leads.to === 'here'
            ? item.state === 'here'
              ? 'page'
              : 'group'
            : leads.to === 'away'
              ? 'away'
              : 'page'
        const key = formKey(level, item.state, unit.units.length > 0 ? `${kind}+` : kind)
        const form = formOfUnit(sources, page, unit)
        collect(forms, key, form)
        const states = byItem.get(item.id) ?? new Map<ItemState, { key: string; forms: ItemForm[] }>()
        byItem.set(item.id, states)
        const there = states.get(item.state) ?? { key, forms: [] }
        there.forms.push(form)
        states.set(item.state, there)
      }
      if (unit.units.length > 0) visit(group, unit.units, level + 1, isSample)
    })
  }
  for (const [at, group] of groups.entries()) {
    const units = unitsOf(group)
    if (units.length === 0) continue
    befores.push(sources.bits(group.page, { start: group.start, end: itemAt(units, 0).start }))
    afters.push(sources.bits(group.page, { start: lastOf(units).end, end: group.end }))
    visit(group, units, 1, at < SAMPLE)
  }
  // What only some pages have of a mark on sections is not the habit of their author.
  const isHabit = (key: string, all: readonly ItemForm[], form: ItemForm) =>
    !key.includes(' within ') ||
    all.filter((one) => JSON.stringify(one) === JSON.stringify(form)).length * 2 > all.length
  /** As often marked as not, an item is marked: a page on which its mark is missing says less than one that has it. */
  const markedFirst = (key: string, all: readonly ItemForm[]) => {
    const plain = JSON.stringify(mostOf(forms.get(key.replace(' here ', ' plain ')) ?? []))
    return [...all].sort((a, b) => Number(JSON.stringify(a) === plain) - Number(JSON.stringify(b) === plain))
  }
  const learnt = Object.fromEntries(
    [...forms].flatMap(([key, all]) => {
      const form = mostOf(key.includes(' here ') ? markedFirst(key, all) : all)!
      return isHabit(key, all, form) ? [[key, form]] : []
    }),
  ) as Record<string, ItemForm>
  const own: [item: string, forms: Record<string, ItemForm>][] = []
  const usualOf = new Map(
    [...byItem].map(([item, states]) => [item, JSON.stringify(mostOf(states.get('plain')?.forms ?? []))]),
  )
  const usuals = new Map<string, string[]>()
  for (const [item, states] of byItem) {
    const key = states.get('plain')?.key
    if (key !== undefined) collect(usuals, key, valueFor(usualOf, item))
  }
  /** Kinds of which every item is written in a way of its own: with a number, or its own class. */
  const allOwn = new Set(
    [...usuals].flatMap(([key, all]) => (all.length > 2 && new Set(all).size === all.length ? [key] : [])),
  )
  for (const [item, states] of byItem) {
    const plain = states.get('plain')
    const usual = usualOf.get(item)
    // An item that is written as the others are is marked as they are, too, whatever stands on one page.
    if (!plain || (usual === JSON.stringify(learnt[plain.key]) && !allOwn.has(plain.key))) continue
    const sure = [...states].flatMap(([state, { forms: all }]) => {
      const form = mostOf(all)!
      return state === 'plain' || all.length > 1 || JSON.stringify(form) !== usual ? [[state, form]] : []
    })
    own.push([item, Object.fromEntries(sure) as Record<string, ItemForm>])
  }
  return {
    id,
    menu,
    shape,
    before: mostOf(befores) ?? [],
    after: mostOf(afters) ?? [],
    between: betweens.map((all, at) => most(all) ?? most(leads[at] ?? []) ?? ''),
    forms: learnt,
    own: Object.fromEntries(own),
    spelling: sources.usualIn(groups),
  }
}

/** Learns how a breadcrumb is written. @param isHome whether a page is the home page */
export function learnTrail(
  sources: Sources,
  id: string,
  groups: readonly LinkGroup[],
  isHome: (page: ReadPage) => boolean,
): TrailPattern {
  const befores: Bits[] = []
  const afters: Bits[] = []
  const betweens: string[] = []
  const links: Bits[] = []
  const texts: Bits[] = []
  const selves: (Bits | null)[] = []
  for (const group of groups) {
    const { page } = group
    const units = unitsOf(group).flatMap((unit) => [unit, ...unit.units])
    if (units.length === 0 || units.some((unit) => unit.units.length > 0)) continue
    // A text before the first link introduces the breadcrumb: “You are here:”.
    while (units.length > 1 && !itemAt(units, 0).item.link) units.shift()
    befores.push(sources.bits(page, { start: group.start, end: itemAt(units, 0).start }))
    afters.push(sources.bits(page, { start: lastOf(units).end, end: group.end }))
    units.forEach((unit, at) => {
      if (at > 0) betweens.push(page.text.slice(itemAt(units, at - 1).end, unit.start))
      const bits = formOfUnit(sources, page, unit).head
      const target = unit.item.link?.target
      const isLast = at === units.length - 1
      const isSelf =
        isLast && (!target || (target.to === 'file' && target.path === page.path) || target.to === 'here')
      if (isSelf) selves.push(bits)
      else {
        ;(target ? links : texts).push(bits)
        if (isLast) selves.push(null)
      }
    })
  }
  return {
    id,
    before: mostOf(befores) ?? [],
    between: most(betweens) ?? ' ',
    after: mostOf(afters) ?? [],
    link: mostOf(links) ?? [],
    group: mostOf(texts) ?? null,
    self: mostOf(selves) ?? null,
    isOnHome: groups.some(({ page }) => isHome(page)),
    spelling: sources.usualIn(groups),
  }
}

/** How the page is called that a link of a pager leads to, as it is written in HTML. */
interface PageNames {
  readonly label: string
  readonly title: string
}

/** Where a name of a page stands in a link to it, in its text or in what is said of it; none where it has another word. */
function nameCuts(page: ReadPage, { item: { link } }: Unit, names: PageNames, of: Direction): Cut[] {
  if (!link) return []
  const cuts: Cut[] = []
  const cut = (start: number, end: number) => {
    const raw = page.text.slice(start, end)
    for (const hole of ['label', 'title'] as const) {
      const found = names[hole] === '' ? -1 : raw.lastIndexOf(names[hole])
      if (found < 0) continue
      cuts.push({ start: start + found, end: start + found + names[hole].length, bit: { hole, of } })
      return
    }
  }
  for (const attribute of link.element.open.attributes)
    if (SPOKEN.has(attribute.name) && attribute.start >= 0) {
      const value = valueOf(page.text, attribute)
      cut(value.start, value.end)
    }
  for (let at = link.element.lastToken; at >= link.element.firstToken; at--) {
    const token = page.tokens[at]
    if (token?.kind === 'text' && token.text.trim() !== '') cut(token.start, token.end)
  }
  return cuts
}

/**
 * Learns how a pager is written.
 */
export function learnPager(
  sources: Sources,
  id: string,
  pagers: readonly PagerOfPage[],
  nameOf: (path: string) => PageNames,
): PagerPattern {
  const befores: Bits[] = []
  const afters: Bits[] = []
  const betweens: string[] = []
  const links: Record<Direction, Bits[]> = { previous: [], next: [], up: [] }
  const orders: Direction[][] = []
  const forms = new Map<string, Bits[]>()
  for (const { group, links: found } of pagers) {
    const { page } = group
    const units = unitsOf(group)
    const directions = units.map(({ item }) => {
      if (item.link?.target.to !== 'file') return undefined
      return (Object.entries(found) as [Direction, typeof item][]).find(([, one]) => one === item)?.[0]
    })
    const there = directions.flatMap((one) => one ?? [])
    if (there.length === 0) continue
    const cuts = units.flatMap((unit, at) => {
      const direction = directions[at]
      if (!direction) return []
      const target = unit.item.link?.target
      const names = target?.to === 'file' ? nameOf(target.path) : { label: '', title: '' }
      return [...hrefCut(page, unit, direction), ...nameCuts(page, unit, names, direction)]
    })
    const key = there.join(' ')
    collect(forms, key, sources.bits(page, group, cuts))
    orders.push(there)
    if (directions.includes(undefined)) continue
    befores.push(sources.bits(page, { start: group.start, end: itemAt(units, 0).start }))
    afters.push(sources.bits(page, { start: lastOf(units).end, end: group.end }))
    units.forEach((unit, at) => {
      if (at > 0) betweens.push(page.text.slice(itemAt(units, at - 1).end, unit.start))
      const direction = directions[at]!
      const own = cuts.filter((cut) => cut.start >= unit.start && cut.end <= unit.end)
      links[direction].push(sources.bits(page, unit, own))
    })
  }
  const longest = [...orders].sort((a, b) => b.length - a.length)[0] ?? []
  const full = longest.filter(
    (one) => orders.filter((order) => order.includes(one)).length * 2 > orders.length,
  )
  const link = (direction: Direction) => mostOf(links[direction]) ?? null
  return {
    id,
    before: mostOf(befores) ?? [],
    between: most(betweens) ?? ' ',
    after: mostOf(afters) ?? [],
    links: { previous: link('previous'), next: link('next'), up: link('up') },
    order: [...full],
    forms: Object.fromEntries([...forms].map(([key, all]) => [key, mostOf(all)!])),
    spelling: sources.usualIn(pagers.map(({ group }) => group)),
  }
}

/** The items of a menu, those under others included. */
export function* allItems(items: readonly MenuItem[]): Generator<MenuItem> {
  for (const item of items) {
    yield item
    yield* allItems(item.items)
  }
}
