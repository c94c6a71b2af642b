import type { PageWriter } from '../page/pageWriter.ts'
import { byKind, type Site } from '../plan/site.ts'
import { createTemplateWriter } from '../template/write.ts'
import { createPieceWriter } from './pieceWriter.ts'

/**
 * Prepares what all pages of a site share, and gives back what writes each page.
 * @param year of the build, for copyright lines
 */
export const createPageWriter = (site: Site, year: number): PageWriter =>
  byKind<PageWriter>(site, { pieces: (of) => createPieceWriter(of, year), templates: createTemplateWriter })
