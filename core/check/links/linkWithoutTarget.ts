import { endOf } from '../../navigate/leads.ts'
import { COMMON_PRACTICE, type Found, type SiteRule } from '../rule.ts'

/** A link of the plan that leads nowhere is left out of every menu. */
export const linkWithoutTarget: SiteRule = {
  id: 'link-without-target',
  group: 'links',
  severity: 'warning',
  about: 'links of the plan that lead nowhere, and so show in no menu',
  source: COMMON_PRACTICE,
  from: ({ site }) => [site.plan, site.files, site.settings.plannedPages],
  findAll: ({ site }) =>
    [...site.plan.entries.values()].flatMap((entry): Found[] => {
      if (entry.kind !== 'link' || endOf(site, entry.target)) return []
      const isUnsaid = entry.target.to === 'address'
      return [
        {
          place: { in: 'entry', entry: entry.id },
          words: isUnsaid
            ? `“${entry.label}” has no target yet.`
            : `“${entry.label}” leads to what is not on the site.`,
          gist: JSON.stringify(entry.target),
        },
      ]
    }),
}
