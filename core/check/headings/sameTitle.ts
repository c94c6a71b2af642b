import { sameOnPages } from './sameText.ts'

/** Titles are what visitors tell pages by, in windows, histories and search engines. */
export const sameTitle = sameOnPages(
  {
    id: 'same-title',
    severity: 'error',
    about: 'pages with the same title',
    source: 'WCAG 2.2, 2.4.2: https://www.w3.org/TR/WCAG22/#page-titled',
  },
  ({ title }) => title,
  (others) => `Another page has the same title: ${others}.`,
  'title',
)
