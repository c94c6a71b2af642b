import { neighboursOf } from '../navigate/readingOrder.ts'
import { outputOf } from '../pieces/outputs.ts'
import type { Leads } from '../pieces/pieceOutput.ts'
import { type EntryId, isBegun, type PageEntry } from '../plan/entry.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import type { Piece } from '../plan/surround/piece.ts'
import type { Place } from '../plan/surround/place.ts'
import { standings } from '../plan/surround/surround.ts'
import { compileBody } from '../render/body.ts'

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
    linksOn: outputOf(piece.kind).links(piece, site),
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
