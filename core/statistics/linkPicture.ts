import { readPointer } from '../pointer/pointer.ts'
import { ancestorsOf, walk } from '../plan/plan.ts'
import { isBegun, labelOf, type PageEntry } from '../plan/entry.ts'
import type { EntryId, TemplateId } from '../plan/ids.ts'
import { isOfPieces, isOfTemplates, isWritten, type Site, type TemplatesSite } from '../plan/site.ts'
import type { Piece } from '../plan/surround/piece.ts'
import { callOf, isComputed } from '../render/authorHtml.ts'
import { neighboursOf } from '../navigate/readingOrder.ts'
import { callLinks } from '../pieces/computed/calls.ts'
import { createTemplateWriter } from '../template/write.ts'
import { type Element, elementsOf, parseMainContent, textOf } from '../standard/fragment.ts'
import {
  type AroundWay,
  clicksFromHome,
  linkGraph,
  linksAround,
  type LinksAround,
  textLinks,
} from './linkGraph.ts'

/** How a link stands on its page, from what the author wrote into the text to what stands on every page. */
export const LINK_WAYS = ['text', 'pager', 'breadcrumb', 'menu', 'footer', 'around'] as const
export type LinkWay = (typeof LINK_WAYS)[number]

/** The bit of a way in a cell. */
export const wayBit = (way: LinkWay) => 1 << LINK_WAYS.indexOf(way)

/** A page in the picture. */
export interface PicturePage {
  readonly id: EntryId
  readonly label: string
  /** The page or group right under the home page that it stands in; itself, where it is one. */
  readonly section: EntryId
  /** Links in text to it from other pages, and from it to pages of the site. */
  readonly textIn: number
  readonly textOut: number
  /** Links of the surround to it from other pages, and from it to pages of the site. */
  readonly surroundIn: number
  readonly surroundOut: number
  /** From the home page; undefined when no way of links leads there. */
  readonly clicks: number | undefined
}

/** Which page links to which, and how: a matrix of pages by pages, both in plan order. */
export interface LinkPicture {
  readonly pages: readonly PicturePage[]
  /** Row by row, from page to page: the ways in which one links to the other, as bits. */
  readonly cells: Uint8Array
  /** All links from page to page that the picture is made of. */
  readonly links: number
}

/** Works out the picture of a site's links. */
export function linkPicture(site: Site): LinkPicture {
  const { plan } = site
  const pages = [...walk(plan)].flatMap(({ entry }): PageEntry[] => (isWritten(site, entry) ? [entry] : []))
  const at = new Map(pages.map(({ id }, place) => [id, place]))
  const around = linksAround(site)
  const inText = textLinks(site)
  const clicks = clicksFromHome(site, linkGraph(site))
  const count = () => new Uint32Array(pages.length)
  const [textIn, textOut, surroundIn, surroundOut] = [count(), count(), count(), count()]
  const cells = new Uint8Array(pages.length ** 2)
  let links = 0
  for (const [from, page] of pages.entries()) {
    const put = (to: EntryId, way: LinkWay) => {
      const place = at.get(to)
      if (place === undefined) return
      cells[from * pages.length + place]! |= wayBit(way)
      links++
      const [into, out] = way === 'text' ? [textIn, textOut] : [surroundIn, surroundOut]
      out[from]!++
      if (place !== from) into[place]!++
    }
    for (const { way, links: leads } of around(page)) for (const to of leads) put(to, way)
    for (const to of inText(page)) put(to, 'text')
  }
  return {
    pages: pages.map((page, n) => ({
      id: page.id,
      label: labelOf(page),
      section: ancestorsOf(plan, page.id)[1] ?? page.id,
      textIn: textIn[n]!,
      textOut: textOut[n]!,
      surroundIn: surroundIn[n]!,
      surroundOut: surroundOut[n]!,
      clicks: clicks.get(page.id),
    })),
    cells,
    links,
  }
}

/** A place from which one page links to another. */
export type LinkPlace =
  | { readonly in: 'piece'; readonly piece: Piece; readonly way: AroundWay; readonly count: number }
  | {
      readonly in: 'template'
      readonly template: TemplateId
      readonly way: AroundWay
      readonly count: number
    }
  /** In main content: where the link's start tag stands in the source, its line from 1, and what the link says. */
  | {
      readonly in: 'text'
      readonly start: number
      readonly end: number
      readonly line: number
      readonly words: string
    }

/** The links that stand on one page and lead to another. */
export function linksBetween(site: Site, from: EntryId, to: EntryId): LinkPlace[] {
  const page = site.plan.entries.get(from)
  if (!isWritten(site, page) || !isWritten(site, site.plan.entries.get(to))) return []
  const ofPart = ({ piece, way, links }: LinksAround): LinkPlace[] => {
    const count = links.filter((leads) => leads === to).length
    if (count === 0) return []
    if (piece) return [{ in: 'piece', piece, way, count }]
    return isOfTemplates(site) ? [{ in: 'template', template: templateOf(site, from), way, count }] : []
  }
  return [...linksInText(site, page, to), ...linksAround(site)(page).flatMap(ofPart)]
}

/** The template of a page. */
const templateOf = (site: TemplatesSite, page: EntryId): string =>
  createTemplateWriter(site).templateOf(page).id

function linksInText(site: Site, page: PageEntry, to: EntryId): LinkPlace[] {
  if (!isBegun(page)) return []
  const isLinkedBy = (element: Element) => {
    const href = element.attrs.find(({ name }) => name === 'href')?.value ?? ''
    const pointer = readPointer(href)
    if (!isComputed(element.tagName) || !isOfPieces(site)) return pointer?.to === 'entry' && pointer.id === to
    const on = { page, order: neighboursOf(site)(page.id) }
    return callLinks(site, callOf(element, element.tagName))(on).includes(to)
  }
  return [...elementsOf(parseMainContent(page.body.html, true))].flatMap(({ element }): LinkPlace[] => {
    const tag = element.sourceCodeLocation?.startTag
    if (!tag || !isLinkedBy(element)) return []
    const { startOffset: start, endOffset: end, startLine: line } = tag
    return [{ in: 'text', start, end, line, words: textOf(element).replace(/\s+/g, ' ').trim() }]
  })
}
