import type { Change } from '../../plan/change/change.ts'
import type { Site } from '../../plan/site.ts'
import { type Piece, pieceName } from '../../plan/surround/piece.ts'
import { piecesShown } from '../../plan/surround/surround.ts'
import { pieceWarnings } from '../../pieces/warnings.ts'
import { COMMON_PRACTICE, type Found, type SiteRule } from '../rule.ts'

/** What puts a piece right that holds nothing, or stands where it must not. */
function fixOf({ surround }: Site, piece: Piece): Change | undefined {
  const isEmpty =
    (piece.kind === 'links' && piece.links.length === 0) ||
    (piece.kind === 'menu' && !surround.menus.some(({ id }) => id === piece.menu))
  if (isEmpty) return { kind: 'removePiece', piece: piece.id }
  if (piece.kind === 'heading')
    return { kind: 'movePiece', piece: piece.id, place: 'before', at: 0, beside: false }
  return undefined
}

/** What is to be warned of in a piece that every page carries. */
export const pieces: SiteRule = {
  id: 'piece',
  group: 'structure',
  severity: 'error',
  about: 'pieces around the content that are empty, lead nowhere, or are not well-formed',
  source: COMMON_PRACTICE,
  from: ({ site }) => [site.plan, site.settings, site.surround, site.files],
  findAll: ({ site }) =>
    [...piecesShown(site.surround)].flatMap(({ piece }) =>
      pieceWarnings(site, piece).map((warning): Found => ({
        place: { in: 'piece', piece: piece.id },
        words: `${pieceName(piece.kind)}: ${warning}`,
        gist: warning,
        fix: fixOf(site, piece),
      })),
    ),
}
