import { COMMON_PRACTICE, type Checked, type Found, type SiteRule } from '../rule.ts'

/** More clicks than this from the home page, and few visitors get there. */
const FEW_CLICKS = 3

const from: SiteRule['from'] = ({ graph, clicks, pages }) => [graph, clicks, pages]

/** How many other pages link to each page, by its surround and by its text. */
function linksIn({ graph }: Checked) {
  const counts = new Map<string, { all: number; text: number }>()
  for (const [page, links] of graph) {
    for (const [kind, list] of [
      ['surround', links.surround],
      ['text', links.text],
    ] as const) {
      for (const to of new Set(list)) {
        if (to === page) continue
        const known = counts.get(to) ?? { all: 0, text: 0 }
        counts.set(to, { all: known.all + 1, text: known.text + (kind === 'text' ? 1 : 0) })
      }
    }
  }
  return counts
}

/** A page that nobody finds: no link of the site leads there. */
export const orphan: SiteRule = {
  id: 'orphan',
  group: 'structure',
  severity: 'fault',
  about: 'pages that no link leads to',
  source: 'WCAG 2.2, 2.4.5: https://www.w3.org/TR/WCAG22/#multiple-ways',
  from,
  findAll({ site, pages, clicks }) {
    return pages.flatMap((page): Found[] =>
      clicks.has(page.id)
        ? []
        : [
            {
              place: { in: 'entry', entry: page.id },
              words: 'No way of links leads here from the home page.',
              gist: page.id,
              mend:
                page.inMenu || page.id === site.plan.home
                  ? undefined
                  : { kind: 'setEntry', entry: page.id, field: 'inMenu', value: true },
            },
          ],
    )
  },
}

/** A page that is far from the home page. */
export const farAway: SiteRule = {
  id: 'far-away',
  group: 'structure',
  severity: 'hint',
  about: `pages more than ${FEW_CLICKS} clicks from the home page`,
  source: COMMON_PRACTICE,
  from,
  findAll: ({ pages, clicks }) =>
    pages.flatMap((page): Found[] => {
      const away = clicks.get(page.id) ?? 0
      const words = `It is ${away} clicks from the home page.`
      return away > FEW_CLICKS ? [{ place: { in: 'entry', entry: page.id }, words, gist: String(away) }] : []
    }),
}

/** A page that stands in no menu, and that no text links to: found by previous and next alone. */
export const hidden: SiteRule = {
  id: 'hidden',
  group: 'structure',
  severity: 'doubt',
  about: 'pages in no menu and in no text',
  source: COMMON_PRACTICE,
  from,
  findAll(checked) {
    const counts = linksIn(checked)
    return checked.pages.flatMap((page): Found[] => {
      if (page.inMenu || page.id === checked.site.plan.home || !checked.clicks.has(page.id)) return []
      if ((counts.get(page.id)?.text ?? 0) > 0) return []
      const words = 'It stands in no menu, and no text links to it.'
      return [{ place: { in: 'entry', entry: page.id }, words, gist: page.id }]
    })
  },
}
