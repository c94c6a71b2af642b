import { type EntryId, isBegun, labelOf } from '../plan/entry.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { compileBody } from '../render/body.ts'

/** Links that lead somewhere before a change, and nowhere after it. */
export interface BrokenLink {
  /** The page whose main content links, or the link of the plan. */
  readonly from: EntryId
  readonly label: string
  readonly kind: 'text' | 'link'
  /** Where it led. */
  readonly to: EntryId
  readonly toLabel: string
}

/** The links that a change breaks: those of main contents, and links of the plan. One for each pair of ends. */
export function linksBroken(before: Site, after: Site): BrokenLink[] {
  const breaks = (to: EntryId) =>
    isWritten(before, before.plan.entries.get(to)) && !isWritten(after, after.plan.entries.get(to))
  const broken: BrokenLink[] = []
  for (const { entry } of walk(after.plan)) {
    const put = (kind: BrokenLink['kind'], targets: Iterable<EntryId>) => {
      for (const to of targets) {
        if (breaks(to))
          broken.push({
            from: entry.id,
            label: labelOf(entry),
            kind,
            to,
            toLabel: labelOf(before.plan.entries.get(to)!),
          })
      }
    }
    if (entry.kind === 'link' && entry.target.to === 'entry') put('link', [entry.target.entry])
    if (isBegun(entry)) {
      const slots = compileBody(entry.body).slots.filter(({ to }) => to === 'entry')
      put('text', new Set(slots.map(({ id }) => id)))
    }
  }
  return broken
}
