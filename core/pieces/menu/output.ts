import { hereMark, indexOfMenu, isSameEverywhere, itemsShown, type MenuItem } from '../../navigate/menu.ts'
import type { EntryId } from '../../plan/ids.ts'
import type { PiecesSite } from '../../plan/site.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'
import { menuOf } from '../../plan/surround/surround.ts'
import type { Leads, LinksOnPage, PieceOutput, ShownMenu } from '../pieceOutput.ts'
import { prepareMenu } from './folderMenu.ts'

/** The links of a menu on each page. */
export function menuLinks(site: PiecesSite, { menu, shape }: ShownMenu): LinksOnPage {
  const linksOf = (items: readonly MenuItem[]): { id: string; to: Leads }[] =>
    items.flatMap(({ id, target, items: under }) => [
      ...(target ? [{ id, to: target.to === 'entry' ? target.entry : ('elsewhere' as const) }] : []),
      ...linksOf(under),
    ])
  const prepare = (page: EntryId) => {
    const items = itemsShown(site, menu, shape, page)
    return { links: linksOf(items), index: indexOfMenu(items) }
  }
  const same = isSameEverywhere(menu) ? prepare(site.plan.home) : undefined
  return ({ page }) => {
    const { links, index } = same ?? prepare(page.id)
    if (site.surround.here.form === 'link') return links.map(({ to }) => to)
    // Where the mark is plain text, the page's own item is no link; other items that lead to it still are.
    const { here } = hereMark(site.plan, index, page.id)
    return links.flatMap(({ id, to }) => (id === here ? [] : [to]))
  }
}

export const menuOutput: PieceOutput<PieceOf<'menu'>> = {
  /** A menu that is gone leaves nothing. */
  prepare(piece, around) {
    const menu = menuOf(around.site.surround, piece.menu)
    if (!menu) return { html: '' }
    const prepared = prepareMenu({ ...piece, menu }, around)
    return { html: ({ page }) => prepared.render(page.id), menu: prepared }
  },
  links(piece, site) {
    const [shown] = menuOutput.menus(piece, site)
    return shown ? menuLinks(site, shown) : () => []
  },
  menus({ menu: id, shape }, { surround }) {
    const menu = menuOf(surround, id)
    return menu ? [{ menu, shape }] : []
  },
  fromPlan: () => '',
}
