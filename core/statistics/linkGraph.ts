import { neighboursOf } from '../navigate/readingOrder.ts'
import { callLinks } from '../pieces/computed/calls.ts'
import { outputOf } from '../pieces/outputs.ts'
import type { Leads } from '../pieces/pieceOutput.ts'
import { isBegun, type PageEntry } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { walk } from '../plan/plan.ts'
import {
  byKind,
  isOfPieces,
  isWritten,
  type PiecesSite,
  type Site,
  type TemplatesSite,
} from '../plan/site.ts'
import type { Piece } from '../plan/surround/piece.ts'
import type { Place } from '../plan/surround/place.ts'
import { standings } from '../plan/surround/surround.ts'
import { compileBody } from '../render/body.ts'
import { valueFor } from '../standard/present.ts'
import { templateLinks } from '../template/links.ts'

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

/** How a link around the content is there. */
export type AroundWay = 'pager' | 'breadcrumb' | 'menu' | 'footer' | 'around'

/** The links that one part around the content has on a page: a piece, or a part of its template. */
export interface LinksAround {
  readonly way: AroundWay
  /** Undefined for a part of a template. */
  readonly piece: Piece | undefined
  readonly links: readonly Leads[]
}

function wayOfPiece({ kind }: Piece, place: Place): AroundWay {
  if (kind === 'breadcrumb' || kind === 'pager') return kind
  if (place === 'footer') return 'footer'
  return kind === 'menu' ? 'menu' : 'around'
}

/** Prepares what tells the links around the content of a page. */
export const linksAround = (site: Site): ((page: PageEntry) => LinksAround[]) =>
  byKind(site, { pieces: linksOfPieces, templates: linksOfTemplates })

function linksOfTemplates(site: TemplatesSite): (page: PageEntry) => LinksAround[] {
  const ofParts = templateLinks(site)
  // What leads to a page that is not there leads to none of the site.
  const leadsTo = (to: Leads): Leads => (isWritten(site, site.plan.entries.get(to)) ? to : 'elsewhere')
  return ({ id }) =>
    ofParts(id).map(({ of, links }) => ({
      way: of === 'header' ? 'around' : of,
      piece: undefined,
      links: links.map(leadsTo),
    }))
}

function linksOfPieces(site: PiecesSite): (page: PageEntry) => LinksAround[] {
  const neighbours = neighboursOf(site)
  const pieces = [...standings(site.surround)].map(({ piece, place }) => ({
    piece,
    place,
    linksOn: outputOf(piece.kind).links(piece, site),
  }))
  return (page) => {
    const on = { page, order: neighbours(page.id) }
    return pieces.map(({ piece, place, linksOn }) => ({
      way: wayOfPiece(piece, place),
      piece,
      links: linksOn(on),
    }))
  }
}

/** Prepares what tells the pages that the main content of a page links to, its computed parts included. */
export function textLinks(site: Site): (page: PageEntry) => EntryId[] {
  let neighbours: ReturnType<typeof neighboursOf> | undefined
  return (page) => {
    if (!isBegun(page)) return []
    const { pointers, calls } = compileBody(page.body)
    const own = pointers.flatMap(({ attribute, to, id }) =>
      attribute === 'href' && to === 'entry' && isWritten(site, site.plan.entries.get(id)) ? [id] : [],
    )
    // In the author's own HTML nothing is computed.
    if (calls.length === 0 || !isOfPieces(site)) return own
    neighbours ??= neighboursOf(site)
    const on = { page, order: neighbours(page.id) }
    const computed = calls.flatMap((call) => callLinks(site, call)(on))
    return [...own, ...computed.filter((to) => to !== 'elsewhere')]
  }
}

/** Works out the links of every page that is on the site, without writing a page. */
export function linkGraph(site: Site): Map<EntryId, PageLinks> {
  const around = linksAround(site)
  const inText = textLinks(site)
  const linksOf = (page: PageEntry): PageLinks => {
    const kept: Leads[] = []
    let menu = 0
    for (const { piece, way, links } of around(page)) {
      kept.push(...links)
      if (piece ? piece.kind === 'menu' : way === 'menu') menu += links.length
    }
    return {
      surround: kept.filter((to) => to !== 'elsewhere'),
      menu,
      kept: kept.length,
      text: inText(page),
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
      clicks.set(to, valueFor(clicks, page) + 1)
      waiting.push(to)
    }
  }
  return clicks
}
