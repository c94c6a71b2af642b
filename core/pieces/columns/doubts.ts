import type { Site } from '../../plan/site.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'
import { listDoubts } from '../listDoubts.ts'

export function columnsDoubts(site: Site, { columns }: PieceOf<'columns'>): string[] {
  return columns.flatMap(({ heading, links }) =>
    links.length === 0 ? [`The column “${heading}” has no link yet.`] : listDoubts(site, links),
  )
}
