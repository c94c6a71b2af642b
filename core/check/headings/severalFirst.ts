import { shiftHeadings } from '../../content/headings.ts'
import { headingRule } from './headingOrder.ts'

export const severalFirst = headingRule(
  'first level again',
  {
    id: 'several-first',
    severity: 'error',
    about: 'pages with several first-level headings',
    source: 'common practice',
  },
  (text) => `“${text}” is a second heading of the first level.`,
  (html, _, at) => shiftHeadings(html, at, at, 1),
)
