import { COMMON_PRACTICE, type Found, type SiteRule } from '../rule.ts'

/** More clicks than this from the home page, and few visitors get there. */
const FEW_CLICKS = 3

/** A page that is far from the home page. */
export const farAway: SiteRule = {
  id: 'far-away',
  group: 'structure',
  severity: 'hint',
  about: `pages more than ${FEW_CLICKS} clicks from the home page`,
  source: COMMON_PRACTICE,
  from: ({ graph, clicks, pages }) => [graph, clicks, pages],
  findAll: ({ pages, clicks }) =>
    pages.flatMap((page): Found[] => {
      const away = clicks.get(page.id) ?? 0
      const words = `It is ${away} clicks from the home page.`
      return away > FEW_CLICKS ? [{ place: { in: 'entry', entry: page.id }, words, gist: String(away) }] : []
    }),
}
