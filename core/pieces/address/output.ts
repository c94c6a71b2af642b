import type { PieceOf } from '../../plan/surround/piece.ts'
import { type Around, brokenLines, escapedLines } from '../around.ts'
import { type PieceOutput, SHOWS_ITSELF } from '../pieceOutput.ts'

/** A postal address, a line each. */
function prepareAddress({ lines }: PieceOf<'address'>, { indent }: Around): string {
  if (lines.trim() === '') return ''
  return `${indent}<address>${brokenLines(escapedLines(lines), indent)}</address>\n`
}

export const addressOutput: PieceOutput<PieceOf<'address'>> = {
  prepare: (piece, around) => ({ html: prepareAddress(piece, around) }),
  ...SHOWS_ITSELF,
}
