import type { Found, SiteRule } from '../rule.ts'

/** A page that nobody finds: no link of the site leads there. */
export const orphan: SiteRule = {
  id: 'orphan',
  group: 'structure',
  severity: 'error',
  about: 'pages that no link leads to',
  source: 'WCAG 2.2, 2.4.5: https://www.w3.org/TR/WCAG22/#multiple-ways',
  from: ({ graph, clicks, pages }) => [graph, clicks, pages],
  findAll({ site, pages, clicks }) {
    return pages.flatMap((page): Found[] =>
      clicks.has(page.id)
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
