import { itemAt, lastOf, valueFor } from '../../standard/present.ts'
import type { PageElement } from '../pages/nodes.ts'
import type { ReadPage } from '../pages/readPage.ts'
import { directionAmong } from './directions.ts'
import type { GroupItem, LinkGroup } from './linkGroups.ts'

/**
 * Lines that hold more than one part: links to previous and next with fixed links before them and a breadcrumb after them, as
 * many generators of manuals write them.
 */

/** A line of fewer links is one part, whatever stands in it. */
const FEW_LINKS = 5
/** The element around a line and the one around that: those further out say of which rank the page is. */
export const nearPlace = ({ place }: LinkGroup): string => place.split('>').slice(-2).join('>')

const targetOf = ({ link }: GroupItem) => (link?.target.to === 'file' ? link.target.path : undefined)

/** Which items of the groups of one place lead to previous, next and up: those that lead elsewhere on each page. */
function pagerItems(cluster: readonly LinkGroup[]): ReadonlySet<GroupItem> {
  const byDirection = new Map<string, { items: GroupItem[]; targets: Set<string> }>()
  // “Contents” leads up, and to the same place from everywhere.
  const said = (item: GroupItem) => `${item.label}\n${targetOf(item)}`
  const times = new Map<string, number>()
  for (const { items } of cluster)
    for (const item of new Set(items.map(said))) times.set(item, (times.get(item) ?? 0) + 1)
  const isFixed = (item: GroupItem) => valueFor(times, said(item)) * 2 > cluster.length
  for (const { items } of cluster)
    for (const [at, item] of items.entries()) {
      const direction = item.link && directionAmong(items, at)
      const target = targetOf(item)
      if (direction === undefined || target === undefined || isFixed(item)) continue
      const there = byDirection.get(direction) ?? { items: [], targets: new Set<string>() }
      byDirection.set(direction, there)
      there.items.push(item)
      there.targets.add(target)
    }
  const varied = [...byDirection].filter(([direction, { items, targets }]) =>
    direction === 'up' ? targets.size > 2 : targets.size * 2 > items.length,
  )
  if (!varied.some(([direction]) => direction !== 'up')) return new Set()
  return new Set(varied.flatMap(([, { items }]) => items))
}

/** The outermost element around an item that holds no item of another part. */
function wholeOf({ start, end }: GroupItem, { container }: LinkGroup, others: readonly GroupItem[]) {
  let found = { start, end }
  const inside = (element: PageElement): PageElement | undefined =>
    element.children.find((child) => child.start <= start && child.end >= end)
  for (let at = inside(container); at && at.start <= start; at = inside(at)) {
    const element = at
    if (others.some((one) => one.start >= element.start && one.end <= element.end)) continue
    found = { start: element.start, end: element.end }
    break
  }
  return found
}

const SEPARATOR = /[|›»>→•·▸▶‣~«‹<←–—/]|::|--/

function partOf(group: LinkGroup, items: readonly GroupItem[], name: string): LinkGroup {
  const others = group.items.filter((item) => !items.includes(item))
  const first = wholeOf(items[0]!, group, others)
  const last = wholeOf(lastOf(items), group, others)
  const between =
    items.length > 1 ? wordsBetween(group.page, itemAt(items, 0).end, itemAt(items, 1).start) : ''
  return {
    ...group,
    start: first.start,
    end: last.end,
    items,
    place: `${nearPlace(group)} ${name}`,
    separator: SEPARATOR.exec(between)?.[0] ?? '',
  }
}

function wordsBetween({ tokens }: ReadPage, from: number, to: number): string {
  let words = ''
  for (const token of tokens)
    if (token.kind === 'text' && token.start >= from && token.end <= to) words += token.text
  return words
}

/** Where the pager of a group begins and ends among its items; undefined where it has none, or something stands in it. */
function pagerRange(
  { items }: LinkGroup,
  pager: ReadonlySet<GroupItem>,
): readonly [number, number] | undefined {
  let first = items.findIndex((item) => pager.has(item))
  if (first < 0) return undefined
  const last = items.findLastIndex((item) => pager.has(item))
  if (!items.slice(first, last + 1).every((item) => !item.link || pager.has(item))) return undefined
  // “Next:” before the link belongs to it.
  while (first > 0 && !itemAt(items, first - 1).link) first--
  return [first, last + 1]
}

/** How many of the groups of a place must have a pager, so that the others are without one. */
const ENOUGH = 0.3

/** The groups of one place of different pages; those that hold more than one part are taken apart. */
export function takenApart(cluster: readonly LinkGroup[]): readonly LinkGroup[] {
  const isLong = ({ items }: LinkGroup) => items.filter(({ link }) => link).length >= FEW_LINKS
  const pager = pagerItems(cluster)
  const ranges = new Map(cluster.map((group) => [group, pagerRange(group, pager)]))
  const having = cluster.filter((group) => ranges.get(group) && isLong(group))
  if (having.length < Math.max(4, cluster.length * ENOUGH)) return cluster
  const fixed = new Set(
    having.flatMap((group) => group.items.slice(0, valueFor(ranges, group)[0]).map((item) => targetOf(item))),
  )
  return cluster.flatMap((group): LinkGroup[] => {
    const { items } = group
    let range = ranges.get(group)
    if (!range) {
      // A page that is in no order has what stands before its place, and what stands after it.
      if (items.some((item) => pager.has(item))) return [group]
      const other = items.findIndex((item) => !item.link || !fixed.has(targetOf(item)))
      const at = other < 0 ? items.length : other
      range = [at, at]
    }
    const [first, after] = range
    const parts = [
      ['before', items.slice(0, first)],
      ['pager', items.slice(first, after)],
      ['after', items.slice(after)],
    ] as const
    return parts.flatMap(([name, own]) => (own.length === 0 ? [] : [partOf(group, own, name)]))
  })
}
