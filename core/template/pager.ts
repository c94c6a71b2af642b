import { targetOfEntry } from '../navigate/menu.ts'
import { pageAbove } from '../navigate/pageAbove.ts'
import { neighboursOf } from '../navigate/readingOrder.ts'
import { labelOf } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { entryOf } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import type { PagerPattern } from '../plan/surround/templates.ts'
import type { Value, Values, Writing } from './writing.ts'

/** The pages that the links of a pager lead to. */
export function pagerValues(site: Site, page: EntryId): Values {
  const { previous, next } = neighboursOf(site)(page)
  const parent = pageAbove(site, page)
  const value = (id: EntryId | undefined): Value | undefined => {
    const entry = id === undefined ? undefined : entryOf(site.plan, id)
    if (!entry || !isWritten(site, entry)) return undefined
    return { label: labelOf(entry), title: entry.title, target: targetOfEntry(site, entry.id) }
  }
  const values = { previous: value(previous), next: value(next), up: value(parent) }
  return Object.fromEntries(Object.entries(values).filter(([, one]) => one !== undefined)) as Values
}

/** A pager of a page in the author's own way of writing; empty where nothing comes before or after. */
export function writePager(site: Site, pattern: PagerPattern, page: EntryId, writing: Writing): string {
  const values = pagerValues(site, page)
  const there = pattern.order.filter((one) => values[one])
  const form = pattern.forms[there.join(' ')]
  if (form) return writing.bits(form, values, pattern.spelling)
  if (there.length === 0) return ''
  const links = there.flatMap((one) => {
    const link = pattern.links[one]
    return link ? [writing.bits(link, values, pattern.spelling)] : []
  })
  return (
    writing.bits(pattern.before, {}, pattern.spelling) +
    links.join(pattern.between) +
    writing.bits(pattern.after, {}, pattern.spelling)
  )
}
