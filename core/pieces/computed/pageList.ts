import { itemsBelow, type MenuItem } from '../../navigate/menu.ts'
import { wholeSite } from '../../navigate/pageList.ts'
import { type EntryId, isBegun } from '../../plan/entry.ts'
import type { Site } from '../../plan/site.ts'
import type { Call, ComputedElement } from '../../render/authorHtml.ts'
import { escapeText } from '../../standard/escape.ts'
import type { Around, Prepared } from '../around.ts'
import { renderItemLabel } from '../menu/folderMenu.ts'
import type { LinksOnPage } from '../pieceOutput.ts'

type PageListElement = Extract<ComputedElement, 'put-pages' | 'put-site-map'>
type Attributes = Call['attributes']

/** The levels that a list is asked to show; one where nothing sensible is said. */
function depthOf(attributes: Attributes): number {
  const depth = Number(attributes['depth'])
  return Number.isInteger(depth) && depth > 1 ? depth : 1
}

/** What a list holds on a page: what is under that page, or the whole site. */
function itemsOn(
  site: Site,
  element: PageListElement,
  attributes: Attributes,
): (page: EntryId) => readonly MenuItem[] {
  const isAll = 'all' in attributes
  if (element === 'put-pages') return (page) => itemsBelow(site, page, depthOf(attributes), isAll)
  const map = wholeSite(site, isAll)
  return () => map
}

/** The description of the page that an item stands for, as a paragraph. */
function description({ entry }: MenuItem, { site }: Around, indent: string): string {
  const page = entry === undefined ? undefined : site.plan.entries.get(entry)
  const text = page?.kind === 'page' && isBegun(page) ? page.description : ''
  return text === '' ? '' : `${indent}<p>${escapeText(text)}</p>\n`
}

function renderItems(
  items: readonly MenuItem[],
  page: EntryId,
  isDescribed: boolean,
  around: Around,
  indent: string,
): string {
  const inner = `${indent}    `
  const mark = { here: page, nearest: undefined, within: new Set<string>() }
  const lines = items.map((item) => {
    const label = renderItemLabel(item, mark, around)
    const below =
      (isDescribed ? description(item, around, inner) : '') +
      (item.items.length > 0 ? renderItems(item.items, page, isDescribed, around, inner) : '')
    return below === ''
      ? `${indent}  <li>${label}</li>\n`
      : `${indent}  <li>\n${inner}${label}\n${below}${indent}  </li>\n`
  })
  return `${indent}<ul>\n${lines.join('')}${indent}</ul>\n`
}

/** A list of pages with links to them, and with their descriptions where that is asked for. */
export function preparePageList(element: PageListElement, attributes: Attributes, around: Around): Prepared {
  const items = itemsOn(around.site, element, attributes)
  const isDescribed = 'descriptions' in attributes
  return ({ page }) => {
    const shown = items(page.id)
    return shown.length === 0 ? '' : renderItems(shown, page.id, isDescribed, around, around.indent)
  }
}

function* leadsOf(items: readonly MenuItem[]): Generator<{ id: string; to: EntryId | 'elsewhere' }> {
  for (const { id, target, items: under } of items) {
    if (target) yield { id, to: target.to === 'entry' ? target.entry : 'elsewhere' }
    yield* leadsOf(under)
  }
}

/** The links of a list on a page: where the mark is plain text, the page's own item is none. */
export function pageListLinks(site: Site, element: PageListElement, attributes: Attributes): LinksOnPage {
  const items = itemsOn(site, element, attributes)
  const isLinked = site.surround.here.form === 'link'
  return ({ page }) =>
    [...leadsOf(items(page.id))].flatMap(({ id, to }) => (id === page.id && !isLinked ? [] : [to]))
}
