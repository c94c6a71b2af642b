import { childrenOf, entryOf, walk } from '../../plan/plan.ts'
import { isWritten } from '../../plan/site.ts'
import { notFoundPage } from '../../address/notFound.ts'
import { COMMON_PRACTICE, type Found, type SiteRule } from '../rule.ts'

/** A reading order that passes over a page among others that it leads through. */
export const skippedInOrder: SiteRule = {
  id: 'skipped-in-order',
  group: 'structure',
  severity: 'warning',
  about: 'pages that previous and next pass over among their siblings',
  source: COMMON_PRACTICE,
  from: ({ site }) => [site.plan, site.settings.plannedPages, site.settings.notFound, site.surround.order],
  findAll: ({ site }) => {
    const notFound = notFoundPage(site)
    return [...walk(site.plan)].flatMap(({ entry }): Found[] => {
      const pages = childrenOf(site.plan, entry.id)
        .map((id) => entryOf(site.plan, id))
        .filter((one) => isWritten(site, one))
        .filter(({ id }) => id !== notFound)
      const out = pages.filter(({ inOrder }) => !inOrder)
      // Where most are out, that is meant.
      if (out.length === 0 || out.length * 2 >= pages.length) return []
      return out.map((page) => ({
        place: { in: 'entry', entry: page.id },
        words: `Previous and next pass over it, though they lead through the other pages beside it.`,
        gist: page.id,
        fix: { kind: 'setEntry', entry: page.id, field: 'inOrder', value: true },
      }))
    })
  },
}
