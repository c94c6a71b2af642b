import { breadcrumbOf } from '../navigate/breadcrumb.ts'
import { shownLinks } from '../navigate/leads.ts'
import { hereMark, indexOfMenu, itemsShown, type MenuItem } from '../navigate/menu.ts'
import { pageAbove } from '../navigate/pageAbove.ts'
import { type Neighbours, neighboursOf } from '../navigate/readingOrder.ts'
import { type EntryId, isBegun, type LinkTarget, type PageEntry } from '../plan/entry.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import type { Menu } from '../plan/surround/menu.ts'
import {
  type MenuShape,
  type PickedLink,
  type Piece,
  type Place,
  shapeNamed,
} from '../plan/surround/piece.ts'
import { menuOf, standings } from '../plan/surround/surround.ts'
import { compileBody } from '../render/body.ts'
import { type Call, compileOwnHtml } from '../render/pieces/ownHtmlSource.ts'
import { contactLines } from '../standard/contact.ts'

/** The links that stand on one page, each as often as it stands there. */
export interface PageLinks {
  /** Pages that the surround links to. */
  readonly surround: readonly EntryId[]
  /** How many links the menus have, those that leave the site included. */
  readonly menu: number
  /** How many links the surround has, those that leave the site included. */
  readonly kept: number
  /** Pages that the main content links to. */
  readonly text: readonly EntryId[]
}

/** Where a link leads: to a page of the site, or to what is none. */
type Leads = EntryId | 'elsewhere'

/** What the links of a piece are worked out from on each page. */
interface OnPage {
  readonly page: PageEntry
  readonly order: Neighbours
}

const leads = (target: LinkTarget): Leads => (target.to === 'entry' ? target.entry : 'elsewhere')

function menuLinks(site: Site, menu: Menu, shape: MenuShape): (on: OnPage) => readonly Leads[] {
  const linksOf = (items: readonly MenuItem[]): { id: string; to: Leads }[] =>
    items.flatMap(({ id, target, items: under }) => [
      ...(target ? [{ id, to: leads(target) }] : []),
      ...linksOf(under),
    ])
  const followsPage = menu.kind === 'plan' && menu.from.at === 'section'
  const prepare = (page: EntryId) => {
    const items = itemsShown(site, menu, shape, page)
    return { links: linksOf(items), index: indexOfMenu(items) }
  }
  const same = followsPage ? undefined : prepare(site.plan.home)
  return ({ page }) => {
    const { links, index } = same ?? prepare(page.id)
    if (site.surround.here.form === 'link') return links.map(({ to }) => to)
    // Where the mark is plain text, the page's own item is no link; other items that lead to it still are.
    const { here } = hereMark(site.plan, index, page.id)
    return links.flatMap(({ id, to }) => (id === here ? [] : [to]))
  }
}

function pickedLinks(site: Site, links: readonly PickedLink[]): readonly Leads[] {
  return shownLinks(site, links).flatMap((one) => (one.leads ? [leads(one.leads)] : []))
}

function breadcrumbLinks(site: Site): (on: OnPage) => readonly Leads[] {
  const { plan, surround } = site
  return ({ page }) =>
    breadcrumbOf(plan, surround.breadcrumb, page.id)
      .slice(0, -1)
      .filter((id) => isWritten(site, plan.entries.get(id)))
}

function pagerLinks(site: Site, up: boolean): (on: OnPage) => readonly Leads[] {
  return ({ page, order: { previous, next } }) =>
    [previous, up ? pageAbove(site, page.id) : undefined, next].filter((id) => id !== undefined)
}

function callLinks(site: Site, { element, attributes }: Call): (on: OnPage) => readonly Leads[] {
  if (element === 'put-breadcrumb') return breadcrumbLinks(site)
  if (element === 'put-pager') return pagerLinks(site, 'up' in attributes)
  const menu = site.surround.menus.find(({ name }) => name === attributes['menu'])
  if (element !== 'put-menu' || !menu) return () => []
  return menuLinks(site, menu, shapeNamed(attributes['shape']))
}

/** The links of own HTML: those to pages by id, those of computed parts, and all others as leaving the site. */
function linksOfOwnHtml(site: Site, html: string): (on: OnPage) => readonly Leads[] {
  const { texts, between } = compileOwnHtml(html, 0)
  const fixed: Leads[] = texts.flatMap((text) =>
    [...text.matchAll(/<a\b[^>]*\shref="(?!#)/g)].map(() => 'elsewhere' as const),
  )
  const calls: ((on: OnPage) => readonly Leads[])[] = []
  for (const one of between) {
    if ('element' in one) calls.push(callLinks(site, one))
    else if (one.attribute === 'href' && one.to === 'entry' && isWritten(site, site.plan.entries.get(one.id)))
      fixed.push(one.id)
  }
  return (on) => [...fixed, ...calls.flatMap((linksOn) => linksOn(on))]
}

/** The links that a piece writes on a page, in any order. */
function linksOfPiece(site: Site, piece: Piece): (on: OnPage) => readonly Leads[] {
  const always = (links: readonly Leads[]) => () => links
  const { plan, surround } = site
  switch (piece.kind) {
    case 'brand':
      return always([plan.home])
    case 'menu': {
      const menu = menuOf(surround, piece.menu)
      return menu ? menuLinks(site, menu, piece.shape) : always([])
    }
    case 'links':
      return always(pickedLinks(site, piece.links))
    case 'columns':
      return always(piece.columns.flatMap(({ links }) => pickedLinks(site, links)))
    case 'contact':
      return always(
        contactLines(piece.lines, site.settings.language).flatMap(({ target }) =>
          target ? ['elsewhere'] : [],
        ),
      )
    case 'breadcrumb':
      return breadcrumbLinks(site)
    case 'pager':
      return pagerLinks(site, piece.up)
    case 'html':
      return linksOfOwnHtml(site, piece.html)
    case 'banner':
    case 'heading':
    case 'address':
    case 'copyright':
    case 'text':
      return always([])
  }
}

/** The links that one piece writes on a page. */
export interface LinksOfPiece {
  readonly piece: Piece
  readonly place: Place
  readonly links: readonly Leads[]
}

/** Prepares what tells the links that each piece of the surround writes on a page. */
export function surroundLinks(site: Site): (page: PageEntry) => LinksOfPiece[] {
  const { surround } = site
  const neighbours = neighboursOf(site)
  const pieces = [...standings(surround)].map(({ piece, place }) => ({
    piece,
    place,
    linksOn: linksOfPiece(site, piece),
  }))
  return (page) => {
    const on = { page, order: neighbours(page.id) }
    return pieces.map(({ piece, place, linksOn }) => ({ piece, place, links: linksOn(on) }))
  }
}

/** The pages that the main content of a page links to. */
export function textLinks(site: Site, page: PageEntry): EntryId[] {
  if (!isBegun(page)) return []
  return compileBody(page.body).pointers.flatMap((slot) =>
    slot.attribute === 'href' && slot.to === 'entry' && isWritten(site, site.plan.entries.get(slot.id))
      ? [slot.id]
      : [],
  )
}

/** Works out the links of every page that is on the site, without writing a page. */
export function linkGraph(site: Site): Map<EntryId, PageLinks> {
  const linksOn = surroundLinks(site)
  const linksOf = (page: PageEntry): PageLinks => {
    const kept: Leads[] = []
    let menu = 0
    for (const { piece, links } of linksOn(page)) {
      kept.push(...links)
      if (piece.kind === 'menu') menu += links.length
    }
    return {
      surround: kept.filter((to) => to !== 'elsewhere'),
      menu,
      kept: kept.length,
      text: textLinks(site, page),
    }
  }

  const graph = new Map<EntryId, PageLinks>()
  for (const { entry } of walk(site.plan)) if (isWritten(site, entry)) graph.set(entry.id, linksOf(entry))
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
