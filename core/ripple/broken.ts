import { type EntryId, isBegun, labelOf } from '../plan/entry.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { pickedLinksOf } from '../plan/surround/surround.ts'
import { compileBody } from '../render/body.ts'

/** Links that lead somewhere before a change, and nowhere after it. */
export interface BrokenLink {
  /** The page whose main content links, the link of the plan, or the home page for a piece that stands on all. */
  readonly from: EntryId
  readonly label: string
  readonly kind: 'text' | 'link' | 'surround'
  /** Where it led. */
  readonly to: EntryId
  readonly toLabel: string
}

/** The links that a change breaks: those of main contents, of the plan, and those picked for menus and pieces. One for each pair of ends. */
export function linksBroken(before: Site, after: Site): BrokenLink[] {
  const breaks = (to: EntryId) =>
    isWritten(before, before.plan.entries.get(to)) && !isWritten(after, after.plan.entries.get(to))
  const broken: BrokenLink[] = []
  const put = (from: EntryId, label: string, kind: BrokenLink['kind'], targets: Iterable<EntryId>) => {
    for (const to of targets) {
      if (breaks(to)) broken.push({ from, label, kind, to, toLabel: labelOf(before.plan.entries.get(to)!) })
    }
  }
  for (const { label, links } of pickedLinksOf(after.surround)) {
    const targets = links.flatMap(({ target }) => (target.to === 'entry' ? [target.entry] : []))
    put(after.plan.home, label, 'surround', new Set(targets))
  }
  for (const { entry } of walk(after.plan)) {
    const label = labelOf(entry)
    if (entry.kind === 'link' && entry.target.to === 'entry')
      put(entry.id, label, 'link', [entry.target.entry])
    if (isBegun(entry)) {
      const pointers = compileBody(entry.body).pointers.filter(({ to }) => to === 'entry')
      put(entry.id, label, 'text', new Set(pointers.map(({ id }) => id)))
    }
  }
  return broken
}
