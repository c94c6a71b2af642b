import type { PieceOf } from '../../plan/surround/piece.ts'
import { type ContactLine, contactLines } from '../../standard/contact.ts'
import { escapeAttribute, escapeText } from '../../standard/escape.ts'
import { type Around, brokenLines, headingWithin } from '../around.ts'
import { type PieceOutput, SHOWS_OF_THE_PAGE } from '../pieceOutput.ts'

function renderLine({ before, value, target }: ContactLine): string {
  // A number is not broken over two lines.
  const text = escapeText(target?.startsWith('tel:') ? value.replaceAll(' ', '\u00a0') : value)
  return (
    escapeText(before) + (target === undefined ? text : `<a href="${escapeAttribute(target)}">${text}</a>`)
  )
}

/** Ways to reach those who make the site, a line each. */
function prepareContact({ heading, lines }: PieceOf<'contact'>, around: Around): string {
  const { indent, site } = around
  if (lines.trim() === '') return ''
  const written = brokenLines(contactLines(lines, site.settings.language).map(renderLine), `${indent}  `)
  return (
    `${indent}<div class="contact">\n${headingWithin(around, heading)}` +
    `${indent}  <p>${written}</p>\n${indent}</div>\n`
  )
}

export const contactOutput: PieceOutput<PieceOf<'contact'>> = {
  prepare: (piece, around) => ({ html: prepareContact(piece, around) }),
  links({ lines }, { settings }) {
    const links = contactLines(lines, settings.language).filter(({ target }) => target !== undefined)
    return () => links.map(() => 'elsewhere')
  },
  ...SHOWS_OF_THE_PAGE,
}
