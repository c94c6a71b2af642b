import { notFoundPage } from '../../address/notFound.ts'
import type { Found, SiteRule } from '../rule.ts'

/** A page that nobody finds: no link of the site leads there. */
export const orphan: SiteRule = {
  id: 'orphan',
  group: 'structure',
  severity: 'error',
  about: 'pages that no link leads to',
  source: 'WCAG 2.2, 2.4.5: https://www.w3.org/TR/WCAG22/#multiple-ways',
  from: ({ site, graph, clicks, pages }) => [graph, clicks, pages, site.settings.notFound],
  findAll({ site, pages, clicks }) {
    return pages.flatMap((page): Found[] =>
      // Nobody is led to the 404 page: it comes by itself.
      clicks.has(page.id) || page.id === notFoundPage(site)
        ? []
        : [
            {
              place: { in: 'entry', entry: page.id },
              words: 'Not reachable from the home page.',
              gist: page.id,
              fix:
                page.inMenu || page.id === site.plan.home
                  ? undefined
                  : { kind: 'setEntry', entry: page.id, field: 'inMenu', value: true },
            },
          ],
    )
  },
}
