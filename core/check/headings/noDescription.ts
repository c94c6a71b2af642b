import { COMMON_PRACTICE, type PageRule } from '../rule.ts'

/** Search engines then show what they find. */
export const noDescription: PageRule = {
  id: 'no-description',
  group: 'titles and headings',
  severity: 'hint',
  about: 'pages without a description',
  source: COMMON_PRACTICE,
  from: (_, page) => [page.description],
  find: (_, page) =>
    page.description === ''
      ? [
          {
            place: { in: 'entry', entry: page.id },
            words: 'The page has no description for search engines.',
            gist: '',
          },
        ]
      : [],
}
