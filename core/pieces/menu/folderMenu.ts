import {
  type HereMark,
  hereMark,
  indexOfMenu,
  isSameEverywhere,
  type MenuItem,
  UNMARKED,
} from '../../navigate/menu.ts'
import type { EntryId } from '../../plan/ids.ts'
import { ancestorsOf, childrenOf } from '../../plan/plan.ts'
import type { Menu } from '../../plan/surround/menu.ts'
import type { MenuShape } from '../../plan/surround/menuShape.ts'
import { escapeAttribute, escapeText } from '../../standard/escape.ts'
import type { Around } from '../around.ts'

/** How a menu stands in a piece. */
export interface MenuStanding {
  readonly menu: Menu
  readonly shape: MenuShape
  readonly folds: boolean
}

/** A menu on the pages of one folder, ready to be marked for each page. */
export interface FolderMenu {
  /** As it stands on a page. */
  render(page: EntryId): string
  /** Without its marks, and the marks: what of it changes from page to page. */
  parts(page: EntryId): { readonly unmarked: string; readonly mark: HereMark }
}

/** What is the same in all items of a menu. */
interface Style extends Around {
  readonly id: string
  readonly opens: boolean
}

/**
 * The marks as attributes: the page's own item says `page`; the nearest that stands for it `true`; those above
 * are marked by class alone (ARIA 1.2, aria-current: only one element in a set is current).
 */
function markOf(item: MenuItem, mark: HereMark, { site }: Around): string {
  const { here, within, marksSections } = site.surround.here
  if (item.id === mark.here) return ` class="${here}" aria-current="page"`
  if (item.id === mark.nearest) return ` class="${within}" aria-current="true"`
  return marksSections && mark.within.has(item.id) ? ` class="${within}"` : ''
}

/** What an item says, linked to where it leads. */
export function renderItemLabel(item: MenuItem, mark: HereMark, around: Around): string {
  const attributes = markOf(item, mark, around)
  const asText = item.id === mark.here && around.site.surround.here.form === 'text'
  const href = asText || !item.target ? undefined : around.links.toTarget(item.target)
  const label = escapeText(item.label)
  return href === undefined
    ? `<span${attributes}>${label}</span>`
    : `<a href="${href}"${attributes}>${label}</a>`
}

/** One item with its submenu, as `<li>`. @param id of the submenu, should it have one */
function renderItem(item: MenuItem, mark: HereMark, style: Style, id: string, indent: string): string {
  const label = renderItemLabel(item, mark, style)
  if (item.items.length === 0) return `${indent}<li>${label}</li>\n`
  const inner = `${indent}  `
  const { words } = style
  const name = escapeAttribute(words.submenu.replace('{label}', () => item.label))
  const button = style.opens
    ? `${inner}<button type="button" class="menu-open" aria-expanded="false" aria-controls="${id}" aria-label="${name}" hidden></button>\n`
    : ''
  return (
    `${indent}<li>\n${inner}${label}\n${button}` +
    `${inner}<ul${style.opens ? ` id="${id}"` : ''}>\n` +
    item.items.map((under, at) => renderItem(under, mark, style, `${id}-${at + 1}`, `${inner}  `)).join('') +
    `${inner}</ul>\n${indent}</li>\n`
  )
}

/** Some items of a menu, each written once without marks, and again only where a mark is on or in it. */
function preparedItems(items: readonly MenuItem[], style: Style) {
  const indent = `${style.indent}    `
  const render = (item: MenuItem, at: number, mark: HereMark) =>
    renderItem(item, mark, style, `${style.id}-${at + 1}`, indent)
  const unmarked = items.map((item, at) => render(item, at, UNMARKED))
  const index = indexOfMenu(items)
  const places = new Map<string, number>()
  const visit = (item: MenuItem, at: number) => {
    places.set(item.id, at)
    for (const under of item.items) visit(under, at)
  }
  items.forEach(visit)
  return {
    unmarked: unmarked.join(''),
    /** The menu as a whole without marks, once it was asked for. */
    whole: undefined as string | undefined,
    index,
    marked(mark: HereMark): string {
      const written = [...unmarked]
      const changed = new Set([mark.here, mark.nearest, ...mark.within].map((id) => places.get(id ?? '')))
      for (const at of changed) if (at !== undefined) written[at] = render(items[at]!, at, mark)
      return written.join('')
    },
  }
}

/** Enough for the sections that a walk through the plan is in at once. */
const MAX_VARIANTS = 16

/** Prepares a menu for the pages of one folder. */
export function prepareMenu({ menu, shape, folds }: MenuStanding, around: Around): FolderMenu {
  const { site, indent, words, names, itemsOf } = around
  const style: Style = { ...around, id: names.menu(), opens: shape === 'opening' }
  const { plan } = site
  const fold = folds
    ? `${indent}  <button type="button" class="menu-fold" aria-expanded="false" aria-controls="${style.id}" hidden>${escapeText(names.fold(words.menu, menu.name))}</button>\n`
    : ''
  const open =
    `${indent}<nav class="menu menu-${shape}" aria-label="${escapeAttribute(names.label(menu.name, `menu ${menu.id}`))}">\n` +
    `${fold}${indent}  <ul${folds ? ` id="${style.id}"` : ''}>\n`
  const close = `${indent}  </ul>\n${indent}</nav>\n`

  /** A menu that follows the page has a variant for each way that it can be opened along. */
  const variants = new Map<string, ReturnType<typeof preparedItems>>()
  const isSame = isSameEverywhere(menu)
  const variantOf = (page: EntryId) => {
    const hasChildren = childrenOf(plan, page).length > 0
    const key = isSame ? '' : hasChildren ? page : (ancestorsOf(plan, page).at(-1) ?? page)
    let variant = variants.get(key)
    if (!variant) {
      if (variants.size >= MAX_VARIANTS) variants.clear()
      variant = preparedItems(itemsOf(menu, shape, page), style)
      variants.set(key, variant)
    }
    return variant
  }
  const whole = (items: string) => (items === '' ? '' : open + items + close)
  return {
    render(page) {
      const variant = variantOf(page)
      return whole(variant.marked(hereMark(plan, variant.index, page)))
    },
    parts(page) {
      const variant = variantOf(page)
      variant.whole ??= whole(variant.unmarked)
      return { unmarked: variant.whole, mark: hereMark(plan, variant.index, page) }
    },
  }
}
