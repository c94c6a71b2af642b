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
        if (text !== '') by.set(text, [...(by.get(text) ?? []), page])
      }
      return [...by].flatMap(([text, same]): Found[] =>
        same.length < 2
          ? []
          : same.map((page) => {
              const others = same.filter((one) => one !== page).map(({ title }) => `“${title}”`)
              const named = others.length > 3 ? `${others.length} other pages` : others.join(', ')
              return { place: { in: 'entry', entry: page.id }, words: words(named), gist: text, asks }
            }),
      )
    },
  }
}
