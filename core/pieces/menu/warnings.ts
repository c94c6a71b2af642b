import { itemsShown } from '../../navigate/menu.ts'
import { walk } from '../../plan/plan.ts'
import { isWritten, type Site } from '../../plan/site.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'
import { menuOf } from '../../plan/surround/surround.ts'
import { listWarnings } from '../listWarnings.ts'

export function menuWarnings(site: Site, { menu: id, shape }: PieceOf<'menu'>): string[] {
  const menu = menuOf(site.surround, id)
  if (!menu) return ['The menu that this piece shows is gone: choose another.']
  const warnings = menu.kind === 'picked' ? listWarnings(site, menu.links) : []
  const pages = [...walk(site.plan)].filter(({ entry }) => isWritten(site, entry))
  const isEmpty = pages.every(({ entry }) => itemsShown(site, menu, shape, entry.id).length === 0)
  return isEmpty ? [...warnings, `The menu “${menu.name}” is empty on every page.`] : warnings
}
