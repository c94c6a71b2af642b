import { itemsOf, type MenuItem } from '../../navigate/menu.ts'
import type { LinkTarget } from '../../plan/entry.ts'
import type { Checked } from '../rule.ts'

export const keyOf = (target: LinkTarget) =>
  target.to === 'entry'
    ? `${target.entry}#${target.fragment}`
    : target.to === 'file'
      ? target.file
      : target.url

function* allItems(items: readonly MenuItem[]): Generator<MenuItem> {
  for (const item of items) {
    yield item
    yield* allItems(item.items)
  }
}

/** The items of every menu that is the same on all pages. */
export function menusOf({ site }: Checked) {
  return site.surround.menus.map((menu) => ({
    menu,
    items: [...allItems(itemsOf(site, menu, site.plan.home))],
  }))
}

export const CONSISTENT = 'WCAG 2.2, 3.2.4: https://www.w3.org/TR/WCAG22/#consistent-identification'
