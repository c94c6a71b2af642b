import type { HereMark, MenuItem } from '../navigate/menu.ts'
import { labelOf } from '../plan/entry.ts'
import { entryOf } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import { escapeAttribute, escapeText } from './escape.ts'
import type { Links } from './links.ts'
import { WORDS } from './words.ts'

/** The mark of a page that stands nowhere in the menu. */
export const UNMARKED: HereMark = { here: undefined, nearest: undefined, within: new Set() }

/**
 * The marks as attributes: the page's own item says `page`; the nearest that stands for it `true`; those above
 * are marked by class alone (ARIA 1.2, aria-current: only one element in a set is current).
 */
function markOf(item: MenuItem, mark: HereMark): string {
  if (item.entry === mark.here) return ' class="here" aria-current="page"'
  if (item.entry === mark.nearest) return ' class="within" aria-current="true"'
  return mark.within.has(item.entry) ? ' class="within"' : ''
}

function renderLabel(site: Site, item: MenuItem, mark: HereMark, links: Links): string {
  const entry = entryOf(site.plan, item.entry)
  const label = escapeText(labelOf(entry))
  const attributes = markOf(item, mark)
  const asText = item.entry === mark.here && site.settings.hereForm === 'text'
  const href = asText ? undefined : links.toEntry(entry)
  return href === undefined
    ? `<span${attributes}>${label}</span>`
    : `<a href="${href}"${attributes}>${label}</a>`
}

/** One item with its submenu, as `<li>`, indented for the depth it stands at. */
function renderItem(site: Site, item: MenuItem, mark: HereMark, links: Links, indent: string): string {
  const label = renderLabel(site, item, mark, links)
  if (item.items.length === 0) return `${indent}<li>${label}</li>\n`
  const id = `menu-${item.entry}`
  const name = escapeAttribute(WORDS.submenuOf(labelOf(entryOf(site.plan, item.entry))))
  const inner = `${indent}  `
  return (
    `${indent}<li>\n${inner}${label}\n` +
    `${inner}<button type="button" class="menu-open" aria-expanded="false" aria-controls="${id}" aria-label="${name}" hidden></button>\n` +
    `${inner}<ul id="${id}">\n` +
    item.items.map((under) => renderItem(site, under, mark, links, `${inner}  `)).join('') +
    `${inner}</ul>\n${indent}</li>\n`
  )
}

const ITEM_INDENT = ' '.repeat(10)

/** The main menu on the pages of one folder, ready to be marked for each page. */
export interface FolderMenu {
  render(mark: HereMark): string
}

/**
 * Writes the menu of the pages in one folder. These differ by the mark alone, so each first-level item is
 * written once without it, and again only for the page whose mark is on or in it.
 */
export function menuForFolder(site: Site, menu: readonly MenuItem[], links: Links): FolderMenu {
  if (menu.length === 0) return { render: () => '' }
  const unmarked = menu.map((item) => renderItem(site, item, UNMARKED, links, ITEM_INDENT))
  const places = new Map<string, number>()
  menu.forEach((item, place) => {
    places.set(item.entry, place)
    for (const under of item.items) places.set(under.entry, place)
  })
  return {
    render(mark) {
      const marked = mark.here ?? mark.nearest
      const place = marked === undefined ? undefined : places.get(marked)
      const items =
        place === undefined
          ? unmarked
          : unmarked.with(place, renderItem(site, menu[place]!, mark, links, ITEM_INDENT))
      return (
        `      <nav class="menu" aria-label="${WORDS.mainMenu}">\n` +
        `        <button type="button" class="menu-fold" aria-expanded="false" aria-controls="menu" hidden>${WORDS.foldMenu}</button>\n` +
        `        <ul id="menu">\n${items.join('')}        </ul>\n      </nav>\n`
      )
    },
  }
}
