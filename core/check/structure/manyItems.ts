import { COMMON_PRACTICE, type Found, type SiteRule } from '../rule.ts'
import { fromRows, rowsOf } from './menuRows.ts'

/** More first-level items than this are searched, not seen. */
const MOST_ITEMS = 9

export const manyItems: SiteRule = {
  id: 'many-items',
  group: 'structure',
  severity: 'warning',
  about: `menus with more than ${MOST_ITEMS} first-level items`,
  source: COMMON_PRACTICE,
  from: fromRows,
  findAll: (checked) =>
    rowsOf(checked).flatMap(({ piece, menu, items }): Found[] => {
      const words = `The menu “${menu.name}” has ${items.length} items at its first level.`
      return items.length > MOST_ITEMS
        ? [{ place: { in: 'piece', piece: piece.id }, words, gist: String(items.length) }]
        : []
    }),
}
