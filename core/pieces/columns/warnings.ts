import type { Site } from '../../plan/site.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'
import { listWarnings } from '../listWarnings.ts'

export function columnsWarnings(site: Site, { columns }: PieceOf<'columns'>): string[] {
  return columns.flatMap(({ heading, links }) =>
    links.length === 0 ? [`The column “${heading}” has no link yet.`] : listWarnings(site, links),
  )
}
