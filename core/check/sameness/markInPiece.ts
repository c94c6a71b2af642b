import { piecesShown } from '../../plan/surround/surround.ts'
import { elementsOf, parseMainContent } from '../../standard/fragment.ts'
import { COMMON_PRACTICE, type Found, type SiteRule } from '../rule.ts'

/** The same mark on every page is wrong on all of them but one. */
export const markInPiece: SiteRule = {
  id: 'mark-in-piece',
  group: 'sameness',
  severity: 'error',
  about: 'here marks in custom HTML, which stand on every page alike',
  source: COMMON_PRACTICE,
  from: ({ site: { surround } }) => [surround.kind === 'pieces' ? surround.places : surround.kind],
  findAll: ({ site }) =>
    [...piecesShown(site.surround)].flatMap(({ piece }): Found[] => {
      if (piece.kind !== 'html' || !piece.html.includes('aria-current')) return []
      return [...elementsOf(parseMainContent(piece.html, true))].flatMap(({ element }) => {
        const at = element.sourceCodeLocation?.attrs?.['aria-current']
        const mark = element.attrs.find(({ name }) => name === 'aria-current')?.value ?? ''
        if (mark === '' || mark === 'false') return []
        return [
          {
            place: { in: 'piece', piece: piece.id },
            words: 'Custom HTML marks one link as the current page, on every page.',
            fix: at && {
              kind: 'setPiece',
              piece: {
                ...piece,
                html: piece.html.slice(0, at.startOffset).trimEnd() + piece.html.slice(at.endOffset),
              },
            },
            gist: element.attrs.map(({ name, value }) => `${name}=${value}`).join(' '),
          },
        ]
      })
    }),
}
