import { type PieceOutput, SHOWS_ITSELF } from '../pieceOutput.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'
import { type Around, brokenLines, escapedLines } from '../around.ts'

/** Paragraphs of text. */
function prepareText({ text }: PieceOf<'text'>, { indent }: Around): string {
  const paragraphs = text
    .split(/\n\s*\n/)
    .filter((paragraph) => paragraph.trim() !== '')
    .map((paragraph) => `${indent}  <p>${brokenLines(escapedLines(paragraph), `${indent}  `)}</p>\n`)
  return paragraphs.length === 0 ? '' : `${indent}<div class="text">\n${paragraphs.join('')}${indent}</div>\n`
}

export const textOutput: PieceOutput<PieceOf<'text'>> = {
  prepare: (piece, around) => ({ html: prepareText(piece, around) }),
  ...SHOWS_ITSELF,
}
