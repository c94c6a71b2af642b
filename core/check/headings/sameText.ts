import type { PageEntry } from '../../plan/entry.ts'
import type { Asked, Found, SiteRule } from '../rule.ts'

/** Pages that say the same where each should say its own. */
export function sameOnPages(
  head: Pick<SiteRule, 'id' | 'severity' | 'about' | 'source'>,
  textOf: (page: PageEntry) => string,
  words: (others: string) => string,
  asks?: Asked,
): SiteRule {
  return {
    ...head,
    group: 'titles and headings',
    from: ({ pages }) => [pages],
    findAll({ pages }) {
      const by = new Map<string, PageEntry[]>()
      for (const page of pages) {
        const text = textOf(page).trim().toLowerCase()
        if (text === '') continue
        const same = by.get(text)
        if (same) same.push(page)
        else by.set(text, [page])
      }
      return [...by].flatMap(([text, same]): Found[] =>
        same.length < 2
          ? []
          : same.map((page) => {
              // A copy keeps what its original says: there may be as many as there are pages.
              const others = same.length > 4 ? [] : same.filter((one) => one !== page)
              const titles = others.map(({ title }) => `“${title}”`)
              const named = same.length > 4 ? `${same.length - 1} other pages` : titles.join(', ')
              return { place: { in: 'entry', entry: page.id }, words: words(named), gist: text, asks }
            }),
      )
    },
  }
}
