import { type PieceOutput, SHOWS_ITSELF } from '../pieceOutput.ts'
import { bannerOf } from '../../navigate/banner.ts'
import { altOf, sizeAttributes } from '../../plan/site.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'
import { escapeAttribute, escapeText } from '../../standard/escape.ts'
import type { Around, Prepared } from '../around.ts'

/** The banner of each page: its own, its section's, or the one of the site. */
function prepareBanner(piece: PieceOf<'banner'>, { site, links, indent }: Around): Prepared {
  return ({ page }) => {
    const { picture, text } = bannerOf(site.plan, piece, page.id)
    const source = picture && links.toFile(picture.file)
    const inside =
      (source
        ? `${indent}  <img src="${source}" alt="${escapeAttribute(altOf(site, picture))}"${sizeAttributes(site, picture)}>\n`
        : '') + (text ? `${indent}  <p>${escapeText(text)}</p>\n` : '')
    return inside && `${indent}<div class="banner">\n${inside}${indent}</div>\n`
  }
}

export const bannerOutput: PieceOutput<PieceOf<'banner'>> = {
  prepare: (piece, around) => ({ html: prepareBanner(piece, around) }),
  ...SHOWS_ITSELF,
}
