import type { PieceOf } from '../../plan/surround/piece.ts'
import { type ContactLine, contactLines } from '../../standard/contact.ts'
import { escapeAttribute, escapeText } from '../../standard/escape.ts'
import { type Around, brokenLines, escapedLines, headingWithin } from './around.ts'

function renderLine({ before, value, target }: ContactLine): string {
  // A number is not broken over two lines.
  const text = escapeText(target?.startsWith('tel:') ? value.replaceAll(' ', '\u00a0') : value)
  return (
    escapeText(before) + (target === undefined ? text : `<a href="${escapeAttribute(target)}">${text}</a>`)
  )
}

/** Ways to reach those who make the site, a line each. */
export function prepareContact({ heading, lines }: PieceOf<'contact'>, around: Around): string {
  const { indent, site } = around
  if (lines.trim() === '') return ''
  const written = brokenLines(contactLines(lines, site.settings.language).map(renderLine), `${indent}  `)
  return (
    `${indent}<div class="contact">\n${headingWithin(around, heading)}` +
    `${indent}  <p>${written}</p>\n${indent}</div>\n`
  )
}

/** A postal address, a line each. */
export function prepareAddress({ lines }: PieceOf<'address'>, { indent }: Around): string {
  if (lines.trim() === '') return ''
  return `${indent}<address>${brokenLines(escapedLines(lines), indent)}</address>\n`
}
