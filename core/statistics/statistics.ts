import { clicksFromHome, linkGraph } from './linkGraph.ts'
import { type PageState, STATES } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { compileBody } from '../render/body.ts'
import { wordsOn } from './wordCount.ts'

/** What is worked out for one page. */
export interface PageFigures {
  /** 0 for the home page. */
  readonly depth: number
  readonly words: number
  /** Links in main content: on the page, and to it from other pages. */
  readonly linksOut: number
  readonly linksIn: number
  /** Undefined when no way of links leads there, or when it is not on the site. */
  readonly clicks: number | undefined
}

/** What is worked out for the whole site. */
export interface Statistics {
  readonly pages: ReadonlyMap<EntryId, PageFigures>
  readonly byState: Readonly<Record<PageState, number>>
  /** How many pages stand at each depth, the home page first. */
  readonly byDepth: readonly number[]
  /** How many pages are so many clicks from the home page, itself first. */
  readonly byClicks: readonly number[]
  /** Pages on the site that no way of links leads to from the home page. */
  readonly unreached: number
  /** How many pages are on the site. */
  readonly onSite: number
  /** Links that the surround writes, over all pages; and those of the menus among them. */
  readonly navigationLinks: number
  readonly menuLinks: number
  /** Links in main content to pages of the site, over all pages. */
  readonly textLinks: number
}

function count(list: number[], at: number): void {
  while (list.length <= at) list.push(0)
  list[at]!++
}

/**
 * Works out the statistics of a site, which may be large, in steps: it reads the texts one after the other, and gives how
 * many of the pages are read.
 */
export function* statisticsInSteps(site: Site): Generator<number, Statistics> {
  let read = 0
  for (const { entry } of walk(site.plan)) {
    if (entry.kind !== 'page') continue
    // Both are remembered.
    wordsOn(entry, site.settings.language)
    if (isWritten(site, entry)) compileBody(entry.body)
    yield ++read
  }
  return statisticsOf(site)
}

/** Works out the statistics of a site. */
export function statisticsOf(site: Site): Statistics {
  const graph = linkGraph(site)
  const clicks = clicksFromHome(site, graph)
  const linksIn = new Map<EntryId, number>()
  let navigationLinks = 0
  let menuLinks = 0
  let textLinks = 0
  for (const [from, links] of graph) {
    navigationLinks += links.kept
    menuLinks += links.menu
    textLinks += links.text.length
    for (const to of links.text) if (to !== from) linksIn.set(to, (linksIn.get(to) ?? 0) + 1)
  }
  const pages = new Map<EntryId, PageFigures>()
  const byState = Object.fromEntries(STATES.map((state) => [state, 0])) as Record<PageState, number>
  const byDepth: number[] = []
  const byClicks: number[] = []
  let unreached = 0
  for (const { entry, depth } of walk(site.plan)) {
    if (entry.kind !== 'page') continue
    byState[entry.state]++
    count(byDepth, depth)
    const away = clicks.get(entry.id)
    if (isWritten(site, entry)) {
      if (away === undefined) unreached++
      else count(byClicks, away)
    }
    pages.set(entry.id, {
      depth,
      words: wordsOn(entry, site.settings.language),
      linksOut: graph.get(entry.id)?.text.length ?? 0,
      linksIn: linksIn.get(entry.id) ?? 0,
      clicks: away,
    })
  }
  return {
    pages,
    byState,
    byDepth,
    byClicks,
    unreached,
    onSite: graph.size,
    navigationLinks,
    menuLinks,
    textLinks,
  }
}
