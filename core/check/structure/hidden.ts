import { notFoundPage } from '../../address/notFound.ts'
import { COMMON_PRACTICE, type Checked, type Found, type SiteRule } from '../rule.ts'

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

/** A page that stands in no menu, and that no text links to: found by previous and next alone. */
export const hidden: SiteRule = {
  id: 'hidden',
  group: 'structure',
  severity: 'warning',
  about: 'pages in no menu and in no text',
  source: COMMON_PRACTICE,
  from: ({ site, graph, clicks, pages }) => [graph, clicks, pages, site.settings.notFound],
  findAll(checked) {
    const counts = linksIn(checked)
    const notFound = notFoundPage(checked.site)
    return checked.pages.flatMap((page): Found[] => {
      if (
        page.inMenu ||
        page.id === checked.site.plan.home ||
        page.id === notFound ||
        !checked.clicks.has(page.id)
      )
        return []
      if ((counts.get(page.id)?.text ?? 0) > 0) return []
      const words = 'It stands in no menu, and no text links to it.'
      return [{ place: { in: 'entry', entry: page.id }, words, gist: page.id }]
    })
  },
}
