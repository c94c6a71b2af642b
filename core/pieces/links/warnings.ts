import type { Site } from '../../plan/site.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'
import { listWarnings } from '../listWarnings.ts'

export function linksWarnings(site: Site, { links }: PieceOf<'links'>): string[] {
  return links.length === 0 ? ['There is no link in it yet.'] : listWarnings(site, links)
}
