import { PIECE_NAMES } from '../../plan/surround/names.ts'
import { standings } from '../../plan/surround/surround.ts'
import { pieceDoubts } from '../pieceDoubts.ts'
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
        words: `${PIECE_NAMES[piece.kind]}: ${doubt}`,
        gist: doubt,
      })),
    ),
}

/** Pages that can be reached in one way only. */
export const noMenu: SiteRule = {
  id: 'no-menu',
  group: 'access',
  severity: 'fault',
  about: 'pages without a menu',
  source: 'WCAG 2.2, 2.4.5: https://www.w3.org/TR/WCAG22/#multiple-ways',
  from: ({ site }) => [site.surround.places],
  findAll: ({ site }) =>
    [...standings(site.surround)].some(({ piece }) => piece.kind === 'menu' || piece.kind === 'html')
      ? []
      : [{ place: { in: 'look' }, words: 'No piece around the content shows a menu.', gist: 'menu' }],
}
