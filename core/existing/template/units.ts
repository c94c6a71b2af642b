import type { Stretch } from '../../standard/pageTokens.ts'
import { itemAt, lastOf } from '../../standard/present.ts'
import { elementAround, type PageElement } from '../pages/nodes.ts'
import { oneLine, type ReadPage } from '../pages/readPage.ts'
import { tokensOf, valueOf } from '../../standard/pageTokens.ts'
import type { GroupItem, LinkGroup } from '../parts/linkGroups.ts'
import type { Cut, Sources } from './source.ts'
import type { Bits, PatternHole } from '../../plan/surround/templates.ts'

/** An item of a group with all that is written for it alone, and the items under it. */
export interface Unit extends Stretch {
  readonly item: GroupItem
  readonly units: readonly Unit[]
  /** The list of the items under it; empty where there are none. */
  readonly list: Stretch
}

const LISTS = new Set(['ul', 'ol', 'dl', 'menu', 'dir'])

/** The items of a group as their author wrote them, each with what belongs to it. */
export function unitsOf(group: LinkGroup): readonly Unit[] {
  const { items, container } = group
  const build = (first: number, last: number, outer: Stretch): Unit[] => {
    const units: Unit[] = []
    for (let at = first; at < last;) {
      const item = items[at]!
      let next = at + 1
      while (next < last && itemAt(items, next).level > item.level) next++
      const from = units.at(-1)?.end ?? outer.start
      const to = next < last ? itemAt(items, next).start : outer.end
      const before = at > 0 ? Math.max(from, itemAt(items, at - 1).end) : from
      const around = elementAround(container, item)
      let stretch: Stretch = item
      for (
        let element: PageElement | undefined = item.link?.element ?? around;
        element && element !== container;
        element = element.parent
      ) {
        if (
          element.start < before ||
          element.end > to ||
          element.start < group.start ||
          element.end > group.end
        )
          break
        if (LISTS.has(element.tag)) break
        // A text beside the items below it is not all that stands there.
        if (element.start > item.start || element.end < item.end) break
        stretch = { start: element.start, end: element.end }
      }
      let list: Stretch = { start: stretch.end, end: stretch.end }
      let under: Unit[] = []
      if (next > at + 1) {
        const inner = listAround(container, items[at + 1]!, stretch)
        list = inner ?? { start: itemAt(items, at + 1).start, end: itemAt(items, next - 1).end }
        const end = Math.max(stretch.end, list.end)
        stretch = { start: stretch.start, end }
        under = build(at + 1, next, list)
      }
      units.push({ ...stretch, item, units: under, list })
      at = next
    }
    return units
  }
  return build(0, items.length, group)
}

/** The list that an item under another stands in: the outermost within the unit of that. */
function listAround(container: PageElement, item: Stretch, unit: Stretch): Stretch | undefined {
  let found: PageElement | undefined
  for (let at = elementAround(container, item); at !== container && at.parent; at = at.parent) {
    if (at.start < unit.start || (unit.end > unit.start && at.end > unit.end && found)) break
    if (LISTS.has(at.tag)) found = at
  }
  return found
}

/** Where the label of an item stands, where it is nothing but text. */
export function labelStretch(page: ReadPage, { item }: Pick<Unit, 'item'>): Stretch | undefined {
  const { link } = item
  if (!link)
    return oneLine(page.text.slice(item.start, item.end)) === item.label ||
      !/[<]/.test(page.text.slice(item.start, item.end))
      ? item
      : undefined
  let found: Stretch | undefined
  for (let at = link.element.firstToken; at <= link.element.lastToken; at++) {
    const token = page.tokens[at]
    if (token?.kind !== 'text' || token.text.trim() === '') continue
    if (found) return undefined
    const raw = page.text.slice(token.start, token.end)
    const lead = raw.length - raw.trimStart().length
    found = { start: token.start + lead, end: token.end - (raw.length - raw.trimEnd().length) }
  }
  return found
}

/** Attributes that say a label once more, for those who do not see it. */
export const SPOKEN = new Set(['aria-label', 'title', 'alt'])
/** Whether a source may have one of them. */
const SPOKEN_IN = /\b(?:aria-label|title|alt)\b/i

/** Where the label stands in attributes of an item, too. */
function spokenLabels(page: ReadPage, head: Stretch, label: string): Stretch[] {
  const found: Stretch[] = []
  const source = page.text.slice(head.start, head.end)
  if (label === '' || !SPOKEN_IN.test(source)) return found
  for (const token of tokensOf(source)) {
    if (token.kind !== 'open') continue
    for (const attribute of token.attributes) {
      if (!SPOKEN.has(attribute.name) || attribute.start < 0) continue
      const value = valueOf(source, attribute)
      const at = page.text.slice(head.start + value.start, head.start + value.end).indexOf(label)
      if (at < 0) continue
      const start = head.start + value.start + at
      found.push({ start, end: start + label.length })
    }
  }
  return found
}

/** Where an item leads, as a hole in its source. */
export function hrefCut(
  page: ReadPage,
  { item: { link } }: Pick<Unit, 'item'>,
  of: PatternHole['of'],
): Cut[] {
  if (!link || link.target.to === 'here') return []
  return [{ ...valueOf(page.text, link.href), bit: { hole: 'href', of } }]
}

/** What stands in a unit before the items under it, and after them. */
export function formOfUnit(sources: Sources, page: ReadPage, unit: Unit): { head: Bits; tail: string } {
  const { units } = unit
  const head = { start: unit.start, end: units[0]?.start ?? unit.end }
  const label = labelStretch(page, unit)
  const labels = label ? [label, ...spokenLabels(page, head, page.text.slice(label.start, label.end))] : []
  const cuts = [
    ...hrefCut(page, unit, 'item'),
    ...labels.map((at): Cut => ({ ...at, bit: { hole: 'label', of: 'item' } })),
  ]
  return {
    head: sources.bits(page, head, cuts),
    tail: units.length === 0 ? '' : page.text.slice(lastOf(units).end, unit.end),
  }
}
