import { altOf, type Site } from '../../plan/site.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'

export function brandWarnings({ settings, files }: Site, piece: PieceOf<'brand'>): string[] {
  return piece.picture && !piece.name && settings.logo && altOf({ files }, settings.logo) === ''
    ? ['The picture stands alone and has no alternative text: it says the name of the site.']
    : []
}
