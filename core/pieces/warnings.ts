import { bannerWarnings } from './banner/warnings.ts'
import { columnsWarnings } from './columns/warnings.ts'
import { headingWarnings } from './heading/warnings.ts'
import { htmlWarnings } from './html/warnings.ts'
import { linksWarnings } from './links/warnings.ts'
import { menuWarnings } from './menu/warnings.ts'
import type { Site } from '../plan/site.ts'
import type { Piece, PieceKind, PieceOf } from '../plan/surround/piece.ts'

type Warnings<One extends Piece> = (site: Site, piece: One) => string[]
const none = () => []

/** What may be to be warned of in each kind of piece. */
const PIECE_DOUBTS: { readonly [Kind in PieceKind]: Warnings<PieceOf<Kind>> } = {
  // A logo that stands alone gets the name of the site as its alternative text.
  brand: none,
  menu: menuWarnings,
  links: linksWarnings,
  banner: bannerWarnings,
  breadcrumb: none,
  heading: headingWarnings,
  pager: none,
  columns: columnsWarnings,
  contact: none,
  address: none,
  copyright: none,
  text: none,
  html: htmlWarnings,
}

/** What is to be warned of in a piece, in words; the pages come out sound all the same. */
export const pieceWarnings = (site: Site, piece: Piece): string[] =>
  (PIECE_DOUBTS[piece.kind] as Warnings<Piece>)(site, piece)
