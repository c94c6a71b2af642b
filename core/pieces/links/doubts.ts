import type { Site } from '../../plan/site.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'
import { listDoubts } from '../listDoubts.ts'

export function linksDoubts(site: Site, { links }: PieceOf<'links'>): string[] {
  return links.length === 0 ? ['There is no link in it yet.'] : listDoubts(site, links)
}
