import { labelOf } from '../../plan/entry.ts'
import { childrenOf, entryOf, walk } from '../../plan/plan.ts'
import { isWritten } from '../../plan/site.ts'
import { COMMON_PRACTICE, type Found, type SiteRule } from '../rule.ts'

/** A section that has one page under it: a level that leads to one place. */
export const loneChild: SiteRule = {
  id: 'lone-page',
  group: 'structure',
  severity: 'hint',
  about: 'sections with one page under them',
  source: COMMON_PRACTICE,
  from: ({ site }) => [site.plan, site.settings.plannedPages],
  findAll: ({ site }) =>
    [...walk(site.plan)].flatMap(({ entry }): Found[] => {
      if (entry.id === site.plan.home || entry.kind === 'link') return []
      const under = childrenOf(site.plan, entry.id).map((id) => entryOf(site.plan, id))
      const [only] = under
      if (under.length !== 1 || !isWritten(site, only)) return []
      const words = `“${labelOf(only)}” is the only page under it.`
      return [{ place: { in: 'entry', entry: entry.id }, words, gist: only.id }]
    }),
}
