import type { EntryId } from '../plan/entry.ts'
import { ancestorsOf, type Plan } from '../plan/plan.ts'

/** The way to a page: the home page, then down to its parent, then the page itself. None for the home page. */
export function breadcrumbOf(plan: Plan, page: EntryId): readonly EntryId[] {
  return page === plan.home ? [] : [...ancestorsOf(plan, page), page]
}
