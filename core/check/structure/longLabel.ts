import type { Found, SiteRule } from '../rule.ts'
import { fromRows, rowsOf } from './menuRows.ts'

/** What fits into a row of 360 CSS pixels with room around it, at the usual size of text. */
const MOST_LETTERS = 34

export const longLabel: SiteRule = {
  id: 'long-label',
  group: 'structure',
  severity: 'warning',
  about: 'labels too long for one row on a telephone',
  source: 'WCAG 2.2, 1.4.10: https://www.w3.org/TR/WCAG22/#reflow',
  from: fromRows,
  findAll: (checked) =>
    rowsOf(checked).flatMap(({ menu, items }) =>
      items.flatMap(({ label, entry }): Found[] => {
        if (label.length <= MOST_LETTERS) return []
        const words = `“${label}” has ${label.length} characters: too long for a row of the menu “${menu.name}” at 360 pixels.`
        return [{ place: entry ? { in: 'entry', entry } : { in: 'menu', menu: menu.id }, words, gist: label }]
      }),
    ),
}
