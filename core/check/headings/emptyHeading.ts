import { headingRule } from './headingOrder.ts'

export const emptyHeading = headingRule(
  'empty',
  {
    id: 'empty-heading',
    severity: 'error',
    about: 'headings without text',
    source: 'WCAG 2.2, 2.4.6: https://www.w3.org/TR/WCAG22/#headings-and-labels',
  },
  () => 'A heading has no text.',
  (html, { start, end }) => html.slice(0, start) + html.slice(end),
)
