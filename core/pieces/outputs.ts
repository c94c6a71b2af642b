import { addressOutput } from './address/output.ts'
import { bannerOutput } from './banner/output.ts'
import { brandOutput } from './brand/output.ts'
import { breadcrumbOutput } from './breadcrumb/output.ts'
import { columnsOutput } from './columns/output.ts'
import { contactOutput } from './contact/output.ts'
import { copyrightOutput } from './copyright/output.ts'
import { headingOutput } from './heading/output.ts'
import { htmlOutput } from './html/output.ts'
import { linksOutput } from './links/output.ts'
import { menuOutput } from './menu/output.ts'
import { pagerOutput } from './pager/output.ts'
import { textOutput } from './text/output.ts'
import type { Piece, PieceKind, PieceOf } from '../plan/surround/piece.ts'
import type { PieceOutput } from './pieceOutput.ts'

/** What each kind of piece shows. */
const PIECE_OUTPUTS: { readonly [Kind in PieceKind]: PieceOutput<PieceOf<Kind>> } = {
  brand: brandOutput,
  menu: menuOutput,
  links: linksOutput,
  banner: bannerOutput,
  breadcrumb: breadcrumbOutput,
  heading: headingOutput,
  pager: pagerOutput,
  columns: columnsOutput,
  contact: contactOutput,
  address: addressOutput,
  copyright: copyrightOutput,
  text: textOutput,
  html: htmlOutput,
}

/** What a kind of piece shows. */
export const outputOf = (kind: PieceKind): PieceOutput<Piece> => PIECE_OUTPUTS[kind] as PieceOutput<Piece>
