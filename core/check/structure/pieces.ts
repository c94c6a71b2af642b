import { pieceName } from '../../plan/surround/piece.ts'
import { standings } from '../../plan/surround/surround.ts'
import { pieceDoubts } from '../../pieces/doubts.ts'
import { COMMON_PRACTICE, type Found, type SiteRule } from '../rule.ts'

/** What is doubtful about a piece that every page carries. */
export const pieces: SiteRule = {
  id: 'piece',
  group: 'structure',
  severity: 'fault',
  about: 'pieces around the content that are empty, lead nowhere, or are not well-formed',
  source: COMMON_PRACTICE,
  from: ({ site }) => [site.plan, site.settings, site.surround, site.files],
  findAll: ({ site }) =>
    [...standings(site.surround)].flatMap(({ piece }) =>
      pieceDoubts(site, piece).map((doubt): Found => ({
        place: { in: 'piece', piece: piece.id },
        words: `${pieceName(piece.kind)}: ${doubt}`,
        gist: doubt,
      })),
    ),
}
