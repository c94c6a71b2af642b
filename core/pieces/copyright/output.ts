import { type PieceOutput, SHOWS_ITSELF } from '../pieceOutput.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'
import { escapeText } from '../../standard/escape.ts'
import type { Around } from '../around.ts'

/** © first year to the year of the build, and the holder: the site itself when none is named. */
function prepareCopyright({ holder, from }: PieceOf<'copyright'>, { site, year, indent }: Around): string {
  const years = from !== null && from < year ? `${from}–${year}` : String(year)
  return `${indent}<p class="copyright">© ${years} ${escapeText(holder || site.settings.name)}</p>\n`
}

export const copyrightOutput: PieceOutput<PieceOf<'copyright'>> = {
  prepare: (piece, around) => ({ html: prepareCopyright(piece, around) }),
  ...SHOWS_ITSELF,
}
