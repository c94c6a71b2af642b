import type { EntryId } from '../plan/entry.ts'
import { ancestorsOf, childrenOf, entryOf, type Plan } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'

/** One item of a menu, with those under it. */
export interface MenuItem {
  readonly entry: EntryId
  readonly items: readonly MenuItem[]
}

/** Whether an entry can lead somewhere: a page that is written, a link to one, or an address elsewhere. */
export function leadsSomewhere(site: Site, id: EntryId): boolean {
  const { entries } = site.plan
  const entry = entries.get(id)
  if (entry?.kind === 'link')
    return entry.target.to === 'address' || isWritten(site, entries.get(entry.target.entry))
  return isWritten(site, entry)
}

/** Whether an entry stands in menus though it leads nowhere yet: a planned page where these show as text. */
function showsAsText({ plan, settings }: Site, id: EntryId): boolean {
  return settings.plannedPages === 'text' && entryOf(plan, id).kind === 'page'
}

function itemsUnder(site: Site, parent: EntryId, depth: number): MenuItem[] {
  const { plan } = site
  const items: MenuItem[] = []
  for (const id of childrenOf(plan, parent)) {
    const entry = entryOf(plan, id)
    if (!entry.inMenu) continue
    const under = depth > 1 ? itemsUnder(site, id, depth - 1) : []
    // A group shows when at least one entry under it shows, and one level is enough for it only as a label.
    if (entry.kind === 'group' ? under.length > 0 : leadsSomewhere(site, id) || showsAsText(site, id))
      items.push({ entry: id, items: under })
  }
  return items
}

/**
 * The main menu: the plan from the home page down to the depth that the site asks for. The home page stands as
 * the first item beside its children. Entries out of the menu, dead links, and planned pages where the
 * site leaves these out, are left out with all that is under them. A group is a label for its submenu, so it needs a depth that shows one.
 */
export function mainMenu(site: Site): readonly MenuItem[] {
  const { plan, settings } = site
  const items = itemsUnder(site, plan.home, settings.menuDepth)
  return entryOf(plan, plan.home).inMenu ? [{ entry: plan.home, items: [] }, ...items] : items
}

/** How the items of a menu are marked on one page. */
export interface HereMark {
  /** The item of the page itself. */
  readonly here: EntryId | undefined
  /** When the page has no item: the item of its nearest ancestor that has one. */
  readonly nearest: EntryId | undefined
  /** Items above `here` or `nearest` in the menu. */
  readonly within: ReadonlySet<EntryId>
}

/** The parent item of every item of a menu; undefined for those of the first level. */
export type ItemParents = ReadonlyMap<EntryId, EntryId | undefined>

/** Looks up which entries a menu has, and under which item each stands. */
export function itemParents(menu: readonly MenuItem[]): ItemParents {
  const parents = new Map<EntryId, EntryId | undefined>()
  const visit = (items: readonly MenuItem[], parent: EntryId | undefined) => {
    for (const item of items) {
      parents.set(item.entry, parent)
      visit(item.items, item.entry)
    }
  }
  visit(menu, undefined)
  return parents
}

/** The marks of a menu on a page: at most one item is `here`, or else at most one is `nearest`. */
export function hereMark(plan: Plan, parents: ItemParents, page: EntryId): HereMark {
  const here = parents.has(page) ? page : undefined
  const nearest = here ? undefined : ancestorsOf(plan, page).findLast((ancestor) => parents.has(ancestor))
  const within = new Set<EntryId>()
  const marked = here ?? nearest
  for (let up = marked && parents.get(marked); up !== undefined; up = parents.get(up)) within.add(up)
  return { here, nearest, within }
}
