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

/** A reading order that passes over a page among others that it leads through. */
export const skippedInOrder: SiteRule = {
  id: 'skipped-in-order',
  group: 'structure',
  severity: 'doubt',
  about: 'pages that previous and next pass over among their siblings',
  source: COMMON_PRACTICE,
  from: ({ site }) => [site.plan, site.settings.plannedPages, site.surround.order],
  findAll: ({ site }) =>
    [...walk(site.plan)].flatMap(({ entry }): Found[] => {
      const pages = childrenOf(site.plan, entry.id)
        .map((id) => entryOf(site.plan, id))
        .filter((one) => isWritten(site, one))
      const out = pages.filter(({ inOrder }) => !inOrder)
      // Where most are out, that is meant.
      if (out.length === 0 || out.length * 2 >= pages.length) return []
      return out.map((page) => ({
        place: { in: 'entry', entry: page.id },
        words: `Previous and next pass over it, though they lead through the other pages beside it.`,
        gist: page.id,
        mend: { kind: 'setEntry', entry: page.id, field: 'inOrder', value: true },
      }))
    }),
}
