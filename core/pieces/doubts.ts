import { bannerDoubts } from './banner/doubts.ts'
import { brandDoubts } from './brand/doubts.ts'
import { columnsDoubts } from './columns/doubts.ts'
import { headingDoubts } from './heading/doubts.ts'
import { htmlDoubts } from './html/doubts.ts'
import { linksDoubts } from './links/doubts.ts'
import { menuDoubts } from './menu/doubts.ts'
import type { Site } from '../plan/site.ts'
import type { Piece, PieceKind, PieceOf } from '../plan/surround/piece.ts'

type Doubts<One extends Piece> = (site: Site, piece: One) => string[]
const none = () => []

/** What may be doubtful about each kind of piece. */
const PIECE_DOUBTS: { readonly [Kind in PieceKind]: Doubts<PieceOf<Kind>> } = {
  brand: brandDoubts,
  menu: menuDoubts,
  links: linksDoubts,
  banner: bannerDoubts,
  breadcrumb: none,
  heading: headingDoubts,
  pager: none,
  columns: columnsDoubts,
  contact: none,
  address: none,
  copyright: none,
  text: none,
  html: htmlDoubts,
}

/** What is doubtful about a piece, in words; the pages come out sound all the same. */
export const pieceDoubts = (site: Site, piece: Piece): string[] =>
  (PIECE_DOUBTS[piece.kind] as Doubts<Piece>)(site, piece)
