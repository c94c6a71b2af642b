import { piecesShown } from '../../plan/surround/surround.ts'
import type { SiteRule } from '../rule.ts'

/** Pages that can be reached in one way only. */
export const noMenu: SiteRule = {
  id: 'no-menu',
  group: 'access',
  severity: 'error',
  about: 'pages without a menu',
  source: 'WCAG 2.2, 2.4.5: https://www.w3.org/TR/WCAG22/#multiple-ways',
  from: ({ site: { surround } }) => [surround.kind === 'pieces' ? surround.places : surround.kind],
  findAll({ site }) {
    // In the author's own HTML a menu may be what no pattern writes.
    if (site.surround.kind === 'templates') return []
    return [...piecesShown(site.surround)].some(({ piece }) => piece.kind === 'menu' || piece.kind === 'html')
      ? []
      : [{ place: { in: 'look' }, words: 'No piece around the content shows a menu.', gist: 'menu' }]
  },
}
