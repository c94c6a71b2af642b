import { diffArrays } from 'diff'
import { addressesOf } from '../address/addresses.ts'
import type { EntryId } from '../plan/ids.ts'
import { entryOf } from '../plan/plan.ts'
import { byKind, type PiecesSite, type Site, type TemplatesSite } from '../plan/site.ts'
import { sectionMenuNames } from '../plan/surround/surround.ts'
import { createPieceWriter } from '../render/pieceWriter.ts'
import { valueFor } from '../standard/present.ts'
import { createTemplateWriter } from '../template/write.ts'
import { type ComparedPage, comparePages, type DifferingLines } from './compare.ts'
import { OWN_REGIONS, sourceLines } from './regions.ts'
import { compareTemplated } from './templateDifferences.ts'
import { templatedLines } from './templateLines.ts'

/** A line of a page. */
export interface PageLine {
  readonly text: string
  /** The part that it belongs to. */
  readonly region: string
  /** Whether it says something of this page alone. */
  readonly isOwn: boolean
}

/** Lines of two pages that differ, with why. */
export interface PageDifference extends DifferingLines {
  readonly cause: string
}

/** Reads the sources of the pages of one site. Ids are those of pages that are on the site. */
export interface PageSources {
  /** All lines of a page. */
  lines(page: EntryId): readonly PageLine[]
  /** Where two pages differ; none of a page and itself. */
  differences(a: EntryId, b: EntryId): readonly PageDifference[]
  /**
   * The lines of a page as it was or is published. A line that the page does not have now belongs to the part around it.
   * @param page the page whose file it is; undefined where the site has none at its path
   */
  published(page: EntryId | undefined, text: string): readonly Pick<PageLine, 'text' | 'region'>[]
}

/** Any host will do: only where pages are to each other counts. */
const TOP = 'https://site.invalid/'

/** Prepares what reads the sources of pages. @param year of the build */
export const pageSources = (site: Site, year: number): PageSources =>
  byKind(site, { pieces: (of) => sourcesOfPieces(of, year), templates: sourcesOfTemplates })

function sourcesOfPieces(site: PiecesSite, year: number): PageSources {
  const writer = createPieceWriter(site, year)
  const { paths } = addressesOf(site)
  const sectionMenus = sectionMenuNames(site.surround)
  const compared = (id: EntryId): ComparedPage => {
    const entry = entryOf(site.plan, id)
    return {
      html: writer.page(id),
      url: TOP + valueFor(paths, id).split('/').map(encodeURIComponent).join('/'),
      title: entry.kind === 'page' ? entry.title : '',
    }
  }
  return {
    lines: (page) =>
      sourceLines(writer.page(page), sectionMenus).map(({ text, region }) => ({
        ...{ text, region, isOwn: OWN_REGIONS.has(region) },
      })),
    differences: (a, b) => comparePages(compared(a), compared(b), site.surround.here, sectionMenus),
    published: (_, text) => sourceLines(text, sectionMenus),
  }
}

function sourcesOfTemplates(site: TemplatesSite): PageSources {
  const writer = createTemplateWriter(site)
  const lines = (page: EntryId) =>
    templatedLines(writer.pieces(page)).map(({ text, part, isOwn }) => ({ text, region: part, isOwn }))
  return {
    lines,
    differences: (a, b) => compareTemplated(site, writer, [a, b]),
    published: (page, text) => likeKnown(page === undefined ? [] : lines(page), text.split('\n')),
  }
}

/** Texts with less in common than this are not aligned: it would take long. */
const MOST_EDITS = 3000

/** Gives each line of a text the part of the line of a page that it is, or replaces, or follows. */
function likeKnown(known: readonly PageLine[], texts: readonly string[]) {
  const bare = texts.map((text) => text.replace(/\r$/, ''))
  const steps = diffArrays(
    known.map(({ text }) => text),
    bare,
    { maxEditLength: MOST_EDITS },
  ) ?? [
    { count: known.length, removed: true },
    { count: texts.length, added: true },
  ]
  const regions: string[] = []
  let at = 0
  let replaced: readonly PageLine[] = []
  for (const { count, added, removed } of steps) {
    if (removed) replaced = known.slice(at, (at += count))
    else if (added) {
      const before = regions.at(-1) ?? known[0]?.region ?? ''
      for (let n = 0; n < count; n++)
        regions.push(replaced[Math.min(n, replaced.length - 1)]?.region ?? before)
      replaced = []
    } else {
      regions.push(...known.slice(at, (at += count)).map(({ region }) => region))
      replaced = []
    }
  }
  return texts.map((text, n) => ({ text, region: regions[n]! }))
}
