import { pieceName } from '../../plan/surround/piece.ts'
import { standings } from '../../plan/surround/surround.ts'
import { pieceWarnings } from '../../pieces/warnings.ts'
import { COMMON_PRACTICE, type Found, type SiteRule } from '../rule.ts'

/** What is to be warned of in a piece that every page carries. */
export const pieces: SiteRule = {
  id: 'piece',
  group: 'structure',
  severity: 'error',
  about: 'pieces around the content that are empty, lead nowhere, or are not well-formed',
  source: COMMON_PRACTICE,
  from: ({ site }) => [site.plan, site.settings, site.surround, site.files],
  findAll: ({ site }) =>
    [...standings(site.surround)].flatMap(({ piece }) =>
      pieceWarnings(site, piece).map((warning): Found => ({
        place: { in: 'piece', piece: piece.id },
        words: `${pieceName(piece.kind)}: ${warning}`,
        gist: warning,
      })),
    ),
}
