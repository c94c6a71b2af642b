import { altOf, type Site } from '../../plan/site.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'

export function bannerWarnings(site: Site, { picture }: PieceOf<'banner'>): string[] {
  return picture && altOf(site, picture) === '' ? ['The picture has no alternative text.'] : []
}
