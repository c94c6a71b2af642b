import { itemsShown } from '../../navigate/menu.ts'
import { menuOf, standings } from '../../plan/surround/surround.ts'
import { COMMON_PRACTICE, type Checked, type Found, type SiteRule } from '../rule.ts'

/** More first-level items than this are searched, not seen. */
const MOST_ITEMS = 9

/** What fits into a row of 360 CSS pixels with room around it, at the usual size of text. */
const MOST_LETTERS = 34

/** The menus of pieces that show them in a row, with their first-level items. */
function rowsOf({ site }: Checked) {
  return [...standings(site.surround)].flatMap(({ piece }) => {
    if (piece.kind !== 'menu' || (piece.shape !== 'row' && piece.shape !== 'opening')) return []
    const menu = menuOf(site.surround, piece.menu)
    return menu ? [{ piece, menu, items: itemsShown(site, menu, piece.shape, site.plan.home) }] : []
  })
}

const from: SiteRule['from'] = ({ site }) => [site.plan, site.settings, site.surround, site.files]

export const manyItems: SiteRule = {
  id: 'many-items',
  group: 'structure',
  severity: 'doubt',
  about: `menus with more than ${MOST_ITEMS} first-level items`,
  source: COMMON_PRACTICE,
  from,
  findAll: (checked) =>
    rowsOf(checked).flatMap(({ piece, menu, items }): Found[] => {
      const words = `The menu “${menu.name}” has ${items.length} items at its first level.`
      return items.length > MOST_ITEMS
        ? [{ place: { in: 'piece', piece: piece.id }, words, gist: String(items.length) }]
        : []
    }),
}

export const longLabel: SiteRule = {
  id: 'long-label',
  group: 'structure',
  severity: 'doubt',
  about: 'labels too long for one row on a telephone',
  source: 'WCAG 2.2, 1.4.10: https://www.w3.org/TR/WCAG22/#reflow',
  from,
  findAll: (checked) =>
    rowsOf(checked).flatMap(({ menu, items }) =>
      items.flatMap(({ label, entry }): Found[] => {
        if (label.length <= MOST_LETTERS) return []
        const words = `“${label}” has ${label.length} characters: too long for a row of the menu “${menu.name}” at 360 pixels.`
        return [{ place: entry ? { in: 'entry', entry } : { in: 'menu', menu: menu.id }, words, gist: label }]
      }),
    ),
}
