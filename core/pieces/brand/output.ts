import { whereIs } from '../../navigate/leads.ts'
import { type PieceOutput, SHOWS_NO_MENU } from '../pieceOutput.ts'
import { altOf, sizeAttributes } from '../../plan/site.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'
import { escapeAttribute, escapeText } from '../../standard/escape.ts'
import type { Around } from '../around.ts'

/** The picture and the name of the site, linked to the home page, and the tagline. */
function prepareBrand(piece: PieceOf<'brand'>, { site, links, indent }: Around): string {
  const { logo, name, tagline } = site.settings
  const source = piece.picture && logo ? links.toFile(logo.file) : undefined
  const showsName = piece.name || !source
  // Where the name does not stand beside it, the picture says it.
  const said = logo && altOf(site, logo)
  const alt = source && (showsName ? said : said || name)
  let brand = `${indent}<div class="brand">\n${indent}  <a class="brand-home" href="${links.toPage(site.plan.home)}">\n`
  if (source)
    brand += `${indent}    <img src="${source}" alt="${escapeAttribute(alt!)}"${sizeAttributes(site, logo!)}>\n`
  if (showsName) brand += `${indent}    <span class="brand-name">${escapeText(name)}</span>\n`
  brand += `${indent}  </a>\n`
  if (piece.tagline && tagline) brand += `${indent}  <p class="tagline">${escapeText(tagline)}</p>\n`
  return `${brand}${indent}</div>\n`
}

export const brandOutput: PieceOutput<PieceOf<'brand'>> = {
  prepare: (piece, around) => ({ html: prepareBrand(piece, around) }),
  links:
    (_, { plan }) =>
    () => [plan.home],
  ...SHOWS_NO_MENU,
  fromPlan: (_, site) => whereIs(site, site.plan.home) ?? '',
}
