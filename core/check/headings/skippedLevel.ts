import { shiftHeadings } from '../../content/headings.ts'
import { headingRule } from './headingOrder.ts'

const H42 = 'WCAG 2.2, technique H42: https://www.w3.org/WAI/WCAG22/Techniques/html/H42'

export const skippedLevel = headingRule(
  'skips a level',
  { id: 'skipped-level', severity: 'warning', about: 'headings that skip a level', source: H42 },
  (text) => `The heading “${text}” skips a level.`,
  (html, _, at) => shiftHeadings(html, at, at, -1),
)
