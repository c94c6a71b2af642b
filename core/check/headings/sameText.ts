import type { PageEntry } from '../../plan/entry.ts'
import { firstHeading } from '../../navigate/title.ts'
import { COMMON_PRACTICE, type Found, type SiteRule } from '../rule.ts'

/** Pages that say the same where each should say its own. */
function sameOnPages(
  head: Pick<SiteRule, 'id' | 'severity' | 'about' | 'source'>,
  textOf: (page: PageEntry) => string,
  words: (others: string) => string,
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
              return { place: { in: 'entry', entry: page.id }, words: words(named), gist: text }
            }),
      )
    },
  }
}

/** Titles are what visitors tell pages by, in windows, histories and search engines. */
export const sameTitle = sameOnPages(
  {
    id: 'same-title',
    severity: 'fault',
    about: 'pages with the same title',
    source: 'WCAG 2.2, 2.4.2: https://www.w3.org/TR/WCAG22/#page-titled',
  },
  ({ title }) => title,
  (others) => `Another page has the same title: ${others}.`,
)

export const sameHeading = sameOnPages(
  {
    id: 'same-heading',
    severity: 'doubt',
    about: 'pages whose first heading is the same, though their titles differ',
    source: COMMON_PRACTICE,
  },
  (page) => (page.heading === '' ? '' : firstHeading(page)),
  (others) => `The first heading is that of another page, too: ${others}.`,
)

export const sameDescription = sameOnPages(
  {
    id: 'same-description',
    severity: 'doubt',
    about: 'pages with the same description',
    source: COMMON_PRACTICE,
  },
  ({ description }) => description,
  (others) => `The description is that of another page, too: ${others}.`,
)
