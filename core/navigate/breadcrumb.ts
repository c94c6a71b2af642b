import type { EntryId } from '../plan/ids.ts'
import { ancestorsOf, type Plan } from '../plan/plan.ts'
import type { BreadcrumbRule } from '../plan/surround/rules.ts'

/** The way to a page: the home page, then down to its parent, then the page itself. None for the home page. */
export function wayTo(plan: Plan, page: EntryId): readonly EntryId[] {
  return page === plan.home ? [] : [...ancestorsOf(plan, page), page]
}

/** The way as a page shows it: none above the level at which the site's breadcrumbs begin. */
export function breadcrumbOf(
  plan: Plan,
  { from }: Pick<BreadcrumbRule, 'from'>,
  page: EntryId,
): readonly EntryId[] {
  const way = wayTo(plan, page)
  return way.length > from ? way : []
}
