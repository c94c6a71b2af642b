import { shownLinks } from '../../navigate/leads.ts'
import type { PickedLink, PieceOf } from '../../plan/surround/piece.ts'
import { escapeAttribute, escapeText } from '../../standard/escape.ts'
import { type Around, headingWithin } from './around.ts'

/** Picked links as list items; what leads nowhere yet is text. */
function renderLinks(links: readonly PickedLink[], around: Around, indent: string): string {
  return shownLinks(around.site, links)
    .map(({ link: { isButton }, label, leads }) => {
      const href = leads && around.links.toTarget(leads)
      const text = escapeText(label)
      return href === undefined
        ? `${indent}<li><span>${text}</span></li>\n`
        : `${indent}<li><a${isButton ? ' class="button"' : ''} href="${href}">${text}</a></li>\n`
    })
    .join('')
}

/** A list of links that the author picked. */
export function prepareLinks({ id, label, links }: PieceOf<'links'>, around: Around): string {
  const { indent, names } = around
  const items = renderLinks(links, around, `${indent}    `)
  if (items === '') return ''
  return (
    `${indent}<nav class="links" aria-label="${escapeAttribute(names.label(label, `piece ${id}`))}">\n` +
    `${indent}  <ul>\n${items}${indent}  </ul>\n${indent}</nav>\n`
  )
}

/** Lists of links beside each other, each under its heading; a column without a link is left out. */
export function prepareColumns({ id, label, columns }: PieceOf<'columns'>, around: Around): string {
  const { indent, names } = around
  const inner = `${indent}  `
  const written = columns
    .map(({ heading, links }) => {
      const items = renderLinks(links, around, `${inner}    `)
      return items === ''
        ? ''
        : `${inner}<div class="column">\n` +
            headingWithin({ ...around, indent: inner }, heading) +
            `${inner}  <ul>\n${items}${inner}  </ul>\n${inner}</div>\n`
    })
    .join('')
  if (written === '') return ''
  return `${indent}<nav class="columns" aria-label="${escapeAttribute(names.label(label, `piece ${id}`))}">\n${written}${indent}</nav>\n`
}
