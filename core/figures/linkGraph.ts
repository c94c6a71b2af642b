import { type EntryId, isBegun, type PageEntry } from '../plan/entry.ts'
import { entryOf, walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { compileBody } from '../render/body.ts'
import { breadcrumbOf } from '../navigate/breadcrumb.ts'
import { mainMenu, type MenuItem } from '../navigate/menu.ts'
import { neighboursIn, readingOrder } from '../navigate/readingOrder.ts'

/** The links that stand on one page, each as often as it stands there. */
export interface PageLinks {
  /** Pages that the surround links to: brand, menu, breadcrumb, pager. */
  readonly surround: readonly EntryId[]
  /** How many links the menu has, those that leave the site included. */
  readonly menu: number
  /** How many links the surround has, those that leave the site included. */
  readonly kept: number
  /** Pages that the main content links to. */
  readonly text: readonly EntryId[]
}

/** Where a menu item leads: a page of the site, out of it, or nowhere. */
type Leads = EntryId | 'out' | undefined

/** Works out the links of every page that is on the site, without writing a page. */
export function linkGraph(site: Site): Map<EntryId, PageLinks> {
  const { plan, settings } = site
  const isOnSite = (id: EntryId) => isWritten(site, plan.entries.get(id))
  const leadsTo = (id: EntryId): Leads => {
    const entry = entryOf(plan, id)
    if (entry.kind === 'group') return undefined
    if (entry.kind === 'link' && entry.target.to === 'address') return 'out'
    const page = entry.kind === 'link' ? (entry.target as { entry: EntryId }).entry : id
    return isOnSite(page) ? page : undefined
  }
  const menu: { item: EntryId; leads: Leads }[] = []
  const visit = (items: readonly MenuItem[]) => {
    for (const item of items) {
      const leads = leadsTo(item.entry)
      if (leads !== undefined) menu.push({ item: item.entry, leads })
      visit(item.items)
    }
  }
  visit(mainMenu(site))
  const neighbours = neighboursIn(readingOrder(plan))
  const pagesInMenu = menu.flatMap(({ leads }) => (leads === 'out' || leads === undefined ? [] : [leads]))
  const inMenu = new Set(menu.map(({ item }) => item))

  const linksOf = (page: PageEntry): PageLinks => {
    // Where the mark is plain text, the page's own item is no link; other items that lead to it still are.
    const isText = settings.hereForm === 'text' && inMenu.has(page.id)
    const fromMenu = isText ? pagesInMenu.toSpliced(pagesInMenu.indexOf(page.id), 1) : pagesInMenu
    const { previous, next } = neighbours(page.id)
    const way = breadcrumbOf(plan, page.id).slice(0, -1)
    const around = [plan.home, ...way.filter(isOnSite), previous, next].filter((id) => id !== undefined)
    const menuLinks = menu.length - (isText ? 1 : 0)
    const text = isBegun(page)
      ? compileBody(page.body).slots.flatMap((slot) =>
          slot.attribute === 'href' && slot.to === 'entry' && isOnSite(slot.id) ? [slot.id] : [],
        )
      : []
    return { surround: [...fromMenu, ...around], menu: menuLinks, kept: menuLinks + around.length, text }
  }

  const graph = new Map<EntryId, PageLinks>()
  for (const { entry } of walk(plan)) if (isWritten(site, entry)) graph.set(entry.id, linksOf(entry))
  return graph
}

/** How many clicks each page is from the home page, over all links; a page that no way leads to is not there. */
export function clicksFromHome(site: Site, graph: ReadonlyMap<EntryId, PageLinks>): Map<EntryId, number> {
  const clicks = new Map<EntryId, number>([[site.plan.home, 0]])
  const waiting = [site.plan.home]
  for (const page of waiting) {
    const links = graph.get(page)
    if (!links) continue
    for (const to of new Set([...links.surround, ...links.text])) {
      if (clicks.has(to)) continue
      clicks.set(to, clicks.get(page)! + 1)
      waiting.push(to)
    }
  }
  return clicks
}
