import type { PieceOf } from '../../plan/surround/piece.ts'
import { escapeAttribute } from '../../standard/escape.ts'
import type { Around } from '../around.ts'
import { keyOfList, linksOfList, renderLinks } from '../linkList.ts'
import { type PieceOutput, SHOWS_NO_MENU } from '../pieceOutput.ts'

/** A list of links that the author picked. */
function prepareLinks({ id, label, links }: PieceOf<'links'>, around: Around): string {
  const { indent, names } = around
  const items = renderLinks(links, around, `${indent}    `)
  if (items === '') return ''
  return (
    `${indent}<nav class="links" aria-label="${escapeAttribute(names.label(label, `piece ${id}`))}">\n` +
    `${indent}  <ul>\n${items}${indent}  </ul>\n${indent}</nav>\n`
  )
}

export const linksOutput: PieceOutput<PieceOf<'links'>> = {
  prepare: (piece, around) => ({ html: prepareLinks(piece, around) }),
  links({ links }, site) {
    const leads = linksOfList(site, links)
    return () => leads
  },
  ...SHOWS_NO_MENU,
  fromPlan: ({ links }, site) => keyOfList(site, links),
}
