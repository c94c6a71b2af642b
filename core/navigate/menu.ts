import { labelOf, type LinkTarget } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { ancestorsOf, childrenOf, entryOf, type Plan } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import type { Menu, MenuException, PlanMenu } from '../plan/surround/menu.ts'
import type { MenuShape } from '../plan/surround/menuShape.ts'
import { endOf, shownLinks, type ShownLink } from './leads.ts'

/** One item of a menu, with those under it. */
export interface MenuItem {
  /** The id of its entry, or of the picked link: no other item of the menu has it. */
  readonly id: string
  /** The entry that it stands for in here marks; none for a picked link that leads elsewhere. */
  readonly entry: EntryId | undefined
  readonly label: string
  /** Where it leads; nowhere for a group and for a planned page. */
  readonly target: LinkTarget | undefined
  readonly items: readonly MenuItem[]
}

const to = (entry: EntryId): LinkTarget => ({ to: 'entry', entry, fragment: '' })

/** Where an entry leads; undefined for a group, a dead link, and a page that is not written. */
export function targetOfEntry(site: Site, id: EntryId): LinkTarget | undefined {
  const entry = site.plan.entries.get(id)
  return entry && entry.kind !== 'group' ? endOf(site, to(id)) : undefined
}

/** Whether an entry stands in menus though it leads nowhere yet: a planned page where these show as text. */
function showsAsText({ plan, settings }: Site, id: EntryId): boolean {
  return settings.plannedPages === 'text' && entryOf(plan, id).kind === 'page'
}

/** What one menu needs to know while it is worked out. */
interface Projection {
  readonly site: Site
  readonly exceptions: ReadonlyMap<EntryId, MenuException>
  /** Whether it shows what is out of menus, too. */
  readonly isAll?: boolean
}

function projectionOf(site: Site, menu: PlanMenu): Projection {
  return { site, exceptions: new Map(menu.exceptions.map((exception) => [exception.entry, exception])) }
}

function itemOf({ site, exceptions }: Projection, id: EntryId, items: readonly MenuItem[]): MenuItem {
  const label = exceptions.get(id)?.label || labelOf(entryOf(site.plan, id))
  return { id, entry: id, label, target: targetOfEntry(site, id), items }
}

/**
 * The items for what stands under an entry. An entry shows when it is in menus and leads somewhere, or has at least one
 * entry under it that shows: then a group, and a planned page that the site leaves out, is text above these.
 * @param isOpen whether what is under an entry shows, where the depth allows it
 */
function itemsUnder(
  projection: Projection,
  parent: EntryId,
  depth: number,
  isOpen: (id: EntryId) => boolean,
): MenuItem[] {
  const { site, exceptions, isAll = false } = projection
  const items: MenuItem[] = []
  for (const id of childrenOf(site.plan, parent)) {
    const entry = entryOf(site.plan, id)
    if ((!entry.inMenu && !isAll) || exceptions.get(id)?.leftOut) continue
    const under = depth > 1 && isOpen(id) ? itemsUnder(projection, id, depth - 1, isOpen) : []
    const leads = targetOfEntry(site, id) !== undefined || showsAsText(site, id)
    if (leads || (entry.kind !== 'link' && under.length > 0)) items.push(itemOf(projection, id, under))
  }
  return items
}

const ALWAYS = () => true

/**
 * What stands under an entry, as a list of links. @param depth how many levels, from 1
 * @param isAll whether it lists what is out of menus, too
 */
export function itemsBelow(site: Site, parent: EntryId, depth: number, isAll: boolean): readonly MenuItem[] {
  return itemsUnder({ site, exceptions: new Map(), isAll }, parent, depth, ALWAYS)
}

/** The home page stands as the first item beside its children. */
function itemsFromHome(projection: Projection, depth: number): readonly MenuItem[] {
  const { plan } = projection.site
  const items = itemsUnder(projection, plan.home, depth, ALWAYS)
  const isIn = entryOf(plan, plan.home).inMenu && !projection.exceptions.get(plan.home)?.leftOut
  return isIn ? [itemOf(projection, plan.home, []), ...items] : items
}

/** The top-level section that a page is in, opened along the way to the page; none on the home page. */
function itemsAround(projection: Projection, depth: number, page: EntryId): readonly MenuItem[] {
  const { plan } = projection.site
  const way = [...ancestorsOf(plan, page), page]
  const section = way[1]
  if (section === undefined || childrenOf(plan, section).length === 0) return []
  const isOnWay = new Set(way)
  const items = itemsUnder(projection, section, depth, (id) => isOnWay.has(id) || isGroup(plan, id))
  const isIn = entryOf(plan, section).inMenu && !projection.exceptions.get(section)?.leftOut
  return items.length === 0 || !isIn ? items : [itemOf(projection, section, items)]
}

/** A group leads nowhere by itself, so that it shows what is under it always. */
const isGroup = (plan: Plan, id: EntryId) => entryOf(plan, id).kind === 'group'

function pickedItem({ link: { id, target }, label, leads }: ShownLink): MenuItem {
  const at = leads ?? target
  const entry = at.to === 'entry' && at.fragment === '' ? at.entry : undefined
  return { id, entry, label, target: leads, items: [] }
}

/** Whether the items of a menu are the same on every page, but for marks. */
export function isSameEverywhere(menu: Menu): boolean {
  return menu.kind === 'picked' || menu.from.at !== 'section'
}

/**
 * The items of a menu on a page. Entries that are out of menus are left out with all that is under them; dead links, and
 * planned pages where the site leaves these out, by themselves.
 */
export function itemsOf(site: Site, menu: Menu, page: EntryId): readonly MenuItem[] {
  if (menu.kind === 'picked') return shownLinks(site, menu.links).map(pickedItem)
  const projection = projectionOf(site, menu)
  switch (menu.from.at) {
    case 'home':
      return itemsFromHome(projection, menu.depth)
    case 'section':
      return itemsAround(projection, menu.depth, page)
    case 'entry':
      return site.plan.entries.has(menu.from.entry)
        ? itemsUnder(projection, menu.from.entry, menu.depth, ALWAYS)
        : []
  }
}

const alone = (item: MenuItem): MenuItem => ({ ...item, items: [] })

/**
 * The items of a menu on a page as a shape shows them. A row and a line have one level: of a section menu the
 * section and what stands right under it, of any other the first.
 */
export function itemsShown(site: Site, menu: Menu, shape: MenuShape, page: EntryId): readonly MenuItem[] {
  if (shape !== 'row' && shape !== 'line') return itemsOf(site, menu, page)
  if (menu.kind === 'picked') return itemsOf(site, menu, page)
  const items = itemsOf(site, { ...menu, depth: 1 }, page)
  return isSameEverywhere(menu) ? items : items.flatMap((item) => [alone(item), ...item.items.map(alone)])
}

/** How the items of a menu are marked on one page: by their ids. */
export interface HereMark {
  /** The item of the page itself. */
  readonly here: string | undefined
  /** When the page has no item: the item of its nearest ancestor that has one. */
  readonly nearest: string | undefined
  /** Items above `here` or `nearest` in the menu. */
  readonly within: ReadonlySet<string>
}

/** The mark of a page that stands nowhere in the menu. */
export const UNMARKED: HereMark = { here: undefined, nearest: undefined, within: new Set() }

/** Where the items of a menu stand. */
export interface MenuIndex {
  /** The first item of each entry that has one. */
  readonly itemOf: ReadonlyMap<EntryId, string>
  /** The item above each item; undefined for those of the first level. */
  readonly parents: ReadonlyMap<string, string | undefined>
}

/** Looks up which entries a menu has, and under which item each stands. */
export function indexOfMenu(menu: readonly MenuItem[]): MenuIndex {
  const itemOf = new Map<EntryId, string>()
  const parents = new Map<string, string | undefined>()
  const visit = (items: readonly MenuItem[], parent: string | undefined) => {
    for (const item of items) {
      parents.set(item.id, parent)
      if (item.entry !== undefined && !itemOf.has(item.entry)) itemOf.set(item.entry, item.id)
      visit(item.items, item.id)
    }
  }
  visit(menu, undefined)
  return { itemOf, parents }
}

/**
 * The marks of a menu on a page: at most one item is `here`, or else at most one is `nearest`. The home page is no section
 * of the pages under it.
 */
export function hereMark(plan: Plan, { itemOf, parents }: MenuIndex, page: EntryId): HereMark {
  const here = itemOf.get(page)
  const sections = ancestorsOf(plan, page).flatMap((id) => (id === plan.home ? [] : (itemOf.get(id) ?? [])))
  const nearest = here === undefined ? sections.at(-1) : undefined
  const marked = here ?? nearest
  // In a menu of one level a section stands before what is in it, not above.
  const within = new Set(sections.filter((id) => id !== marked))
  for (let up = marked && parents.get(marked); up !== undefined; up = parents.get(up)) within.add(up)
  return { here, nearest, within }
}
