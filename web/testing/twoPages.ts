import { type Branch, planOfBranch } from '@viatica/core/plan/branch.ts'
import type { SetEntry } from '@viatica/core/plan/change/change.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import { newPage } from '@viatica/core/plan/newEntry.ts'
import { entryOf } from '@viatica/core/plan/plan.ts'
import { type Site, siteWith } from '@viatica/core/plan/site.ts'

/** A home page with two pages under it, `walks` (with two stages) and `news`. */
export function twoPages(): Site {
  const page = (id: string, title: string, entries: Branch[] = []): Branch => ({
    ...newPage(id, title),
    entries,
  })
  const stages = [page('stage-1', 'Stage 1'), page('stage-2', 'Stage 2')]
  const plan = planOfBranch(page('home', 'Home', [page('walks', 'Walks', stages), page('news', 'News')]))
  return siteWith({ name: 'Trust' }, plan)
}

export const titleOf = ({ plan }: Site, id: string): string => labelOf(entryOf(plan, id))

export const setTitle = (entry: string, value: string): SetEntry => ({
  kind: 'setEntry',
  entry,
  field: 'title',
  value,
})
