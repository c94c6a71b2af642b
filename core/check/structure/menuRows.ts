import { itemsShown } from '../../navigate/menu.ts'
import { menuOf, piecesShown } from '../../plan/surround/surround.ts'
import type { Checked, SiteRule } from '../rule.ts'

/** The menus of pieces that show them in a row, with their first-level items. */
export function rowsOf({ site }: Checked) {
  return [...piecesShown(site.surround)].flatMap(({ piece }) => {
    if (piece.kind !== 'menu' || (piece.shape !== 'row' && piece.shape !== 'opening')) return []
    const menu = menuOf(site.surround, piece.menu)
    return menu ? [{ piece, menu, items: itemsShown(site, menu, piece.shape, site.plan.home) }] : []
  })
}

/** What the rules about rows follow from. */
export const fromRows: SiteRule['from'] = ({ site }) => [site.plan, site.settings, site.surround, site.files]
