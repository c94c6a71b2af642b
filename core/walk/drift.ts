import type { EntryId } from '../plan/ids.ts'
import { byKind, type PiecesSite, type Site } from '../plan/site.ts'
import { sectionMenuNames } from '../plan/surround/surround.ts'
import {
  type ComparedPage,
  driftBetween,
  type FolderLines,
  readSource,
  type ReadSource,
} from '../compare/compare.ts'
import { isDifference } from '../template/kept.ts'
import { createTemplateWriter, type TemplateWriter } from '../template/write.ts'

/** Lines of a page that nothing explains. */
export interface DriftLines {
  /** Of the page's source, from 1. */
  readonly line: number
  readonly text: string
}

/** Finds what differs around the content of a page without a reason. @param lines what was read of other pages of its folder */
export type FindDrift = (id: EntryId, page: ComparedPage, lines: FolderLines) => DriftLines[]

/** Compares each page made of pieces with the first one, the home page. */
function againstHome(site: PiecesSite): FindDrift {
  const sectionMenus = sectionMenuNames(site.surround)
  let home: ReadSource | undefined
  return (_, page, lines) => {
    const source = readSource(page, site.surround.here, sectionMenus, lines)
    home ??= source
    return driftBetween(home, source).map(({ at, lines: [left, right] }) => ({
      line: at[1],
      text: [...left, ...right].join('\n'),
    }))
  }
}

/** Compares each page made of a template with its template, as Proof does. */
function againstTemplate(writer: TemplateWriter): FindDrift {
  return (id) => {
    let line = 1
    return writer.pieces(id).flatMap(({ text, parts, kept }) => {
      const at = line
      line += text.split(/\r\n|\r|\n/).length - 1
      return kept && isDifference(kept, parts) ? [{ line: at, text }] : []
    })
  }
}

/** Prepares what finds the drift of the pages of a site, one after the other, the home page first. */
export const driftFinder = (site: Site): FindDrift =>
  byKind(site, { pieces: againstHome, templates: (of) => againstTemplate(createTemplateWriter(of)) })
