import type { PieceOf } from '../../plan/surround/piece.ts'
import { renderHeading } from '../../render/main.ts'
import { type PieceOutput, SHOWS_ITSELF } from '../pieceOutput.ts'

export const headingOutput: PieceOutput<PieceOf<'heading'>> = {
  prepare: (_, { words, indent }) => ({ html: ({ page }) => renderHeading(page, words, indent) }),
  ...SHOWS_ITSELF,
}
