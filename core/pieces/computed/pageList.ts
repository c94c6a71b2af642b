import { itemsBelow, type MenuItem, targetOfEntry } from '../../navigate/menu.ts'
import { wholeSite } from '../../navigate/pageList.ts'
import { isBegun, labelOf } from '../../plan/entry.ts'
import type { EntryId, FileId } from '../../plan/ids.ts'
import { fileTypeOf } from '../../plan/file.ts'
import type { PiecesSite, Site } from '../../plan/site.ts'
import type { Call, ComputedElement } from '../../render/authorHtml.ts'
import { compileBody } from '../../render/body.ts'
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

/** Whether a list shows the newest pages first, with their dates. */
const isNewestFirst = (element: PageListElement, attributes: Attributes): boolean =>
  element === 'put-pages' && 'newest' in attributes

/** The entries that the author picked for a list, in the order of the author; undefined where none are picked. */
export const pickedEntries = (attributes: Attributes): readonly EntryId[] | undefined =>
  attributes['of']?.split(/\s+/).filter((id) => id !== '')

/** The picked entries that are on the site, as items without others below them. */
function pickedItems(site: PiecesSite, ids: readonly EntryId[]): readonly MenuItem[] {
  return [...new Set(ids)].flatMap((id): MenuItem[] => {
    const entry = site.plan.entries.get(id)
    const target = entry && targetOfEntry(site, id)
    return entry && target ? [{ id, entry: id, label: labelOf(entry), target, items: [] }] : []
  })
}

/** The date of the page of an item, `YYYY-MM-DD`; empty where it has none. */
function dateOf({ plan }: Site, { entry }: MenuItem): string {
  const page = entry === undefined ? undefined : plan.entries.get(entry)
  return page?.kind === 'page' ? page.date : ''
}

/** Returns items with the newest page first, on each level; those without a date come last, in their order. */
function newestFirst(site: PiecesSite, items: readonly MenuItem[]): readonly MenuItem[] {
  const dated = items.map((item) => ({
    date: dateOf(site, item),
    item: { ...item, items: newestFirst(site, item.items) },
  }))
  // Days in this format sort as text.
  return dated.sort((a, b) => (a.date < b.date ? 1 : a.date > b.date ? -1 : 0)).map(({ item }) => item)
}

/** Returns the items of a list on a page, in the order that the author wants. */
function itemsOn(
  site: PiecesSite,
  element: PageListElement,
  attributes: Attributes,
): (page: EntryId) => readonly MenuItem[] {
  const items = itemsInPlanOrder(site, element, attributes)
  return isNewestFirst(element, attributes) ? (page) => newestFirst(site, items(page)) : items
}

/** Returns the items of a list on a page: the pages that the author picked, its subpages, or the whole site. */
function itemsInPlanOrder(
  site: PiecesSite,
  element: PageListElement,
  attributes: Attributes,
): (page: EntryId) => readonly MenuItem[] {
  const isAll = 'all' in attributes
  const picked = element === 'put-pages' ? pickedEntries(attributes) : undefined
  if (picked) {
    const items = pickedItems(site, picked)
    return () => items
  }
  if (element === 'put-pages') return (page) => itemsBelow(site, page, depthOf(attributes), isAll)
  const map = wholeSite(site, isAll)
  return () => map
}

/**
 * Writes the dates of pages in a list, as the language of the site does: calendar and words are those of CLDR (UTS 35).
 * @returns a function from an item to a `<time>` element (HTML, 4.5.14); empty where its page has no date
 */
function dateWriter(site: PiecesSite): (item: MenuItem) => string {
  // A language that the platform does not know must not fall back to that of the machine.
  const format = new Intl.DateTimeFormat([site.settings.language, 'en-GB'], {
    dateStyle: 'long',
    timeZone: 'UTC',
  })
  return (item) => {
    const date = dateOf(site, item)
    return date === '' ? '' : `<time datetime="${date}">${escapeText(format.format(new Date(date)))}</time>`
  }
}

const withoutDates = () => ''

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
  writeDate: (item: MenuItem) => string,
  around: Around,
  indent: string,
): string {
  const inner = `${indent}    `
  const mark = { here: page, nearest: undefined, within: new Set<string>() }
  const lines = items.map((item) => {
    const date = writeDate(item)
    const label = renderItemLabel(item, mark, around) + (date === '' ? '' : ` ${date}`)
    const below =
      (isDescribed ? description(item, around, inner) : '') +
      (item.items.length > 0 ? renderItems(item.items, page, isDescribed, writeDate, around, inner) : '')
    return below === ''
      ? `${indent}  <li>${label}</li>\n`
      : `${indent}  <li>\n${inner}${label}\n${below}${indent}  </li>\n`
  })
  return `${indent}<ul>\n${lines.join('')}${indent}</ul>\n`
}

/** The picture of a page: its own banner, else the first picture of its text that is a file of the site. */
function pictureOf({ files, plan }: Site, id: EntryId | undefined): FileId | undefined {
  const page = id === undefined ? undefined : plan.entries.get(id)
  if (page?.kind !== 'page') return undefined
  if (page.banner && files.has(page.banner.file)) return page.banner.file
  return compileBody(page.body).pointers.find(
    ({ to, id: file, attribute }) =>
      to === 'site-file' &&
      attribute === 'src' &&
      fileTypeOf(files.get(file)?.path ?? '')?.kind === 'picture',
  )?.id
}

/** Pages as cards: picture, title and description. Of the levels below, none is shown. */
function renderCards(
  items: readonly MenuItem[],
  page: EntryId,
  writeDate: (item: MenuItem) => string,
  around: Around,
): string {
  const { indent } = around
  const inner = `${indent}    `
  const mark = { here: page, nearest: undefined, within: new Set<string>() }
  const cards = items.map((item) => {
    const picture = pictureOf(around.site, item.entry)
    const date = writeDate(item)
    const source = picture === undefined ? undefined : around.links.toFile(picture)
    return (
      `${indent}  <li>\n` +
      // The title next to it describes the page.
      (source === undefined ? '' : `${inner}<img src="${source}" alt="" loading="lazy">\n`) +
      `${inner}${renderItemLabel(item, mark, around)}\n` +
      (date === '' ? '' : `${inner}${date}\n`) +
      description(item, around, inner) +
      `${indent}  </li>\n`
    )
  })
  return `${indent}<ul class="cards">\n${cards.join('')}${indent}</ul>\n`
}

/** Prepares a list of pages with links to them: as cards or plain, with their descriptions or dates. */
export function preparePageList(element: PageListElement, attributes: Attributes, around: Around): Prepared {
  const items = itemsOn(around.site, element, attributes)
  const isDescribed = 'descriptions' in attributes
  const areCards = element === 'put-pages' && 'cards' in attributes
  const writeDate = isNewestFirst(element, attributes) ? dateWriter(around.site) : withoutDates
  return ({ page }) => {
    const shown = items(page.id)
    if (areCards && shown.length > 0) return renderCards(shown, page.id, writeDate, around)
    if (shown.length === 0) return ''
    return renderItems(shown, page.id, isDescribed, writeDate, around, around.indent)
  }
}

function* leadsOf(items: readonly MenuItem[]): Generator<{ id: string; to: EntryId | 'elsewhere' }> {
  for (const { id, target, items: under } of items) {
    if (target) yield { id, to: target.to === 'entry' ? target.entry : 'elsewhere' }
    yield* leadsOf(under)
  }
}

/** The links of a list on a page: where the mark is plain text, the page's own item is none. */
export function pageListLinks(
  site: PiecesSite,
  element: PageListElement,
  attributes: Attributes,
): LinksOnPage {
  const items = itemsOn(site, element, attributes)
  const isLinked = site.surround.here.form === 'link'
  const areCards = element === 'put-pages' && 'cards' in attributes
  const shown = (page: EntryId) =>
    areCards ? items(page).map((item) => ({ ...item, items: [] })) : items(page)
  return ({ page }) =>
    [...leadsOf(shown(page.id))].flatMap(({ id, to }) => (id === page.id && !isLinked ? [] : [to]))
}
