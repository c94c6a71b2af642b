import type { PieceOf } from '../../plan/surround/piece.ts'
import { escapeAttribute } from '../../standard/escape.ts'
import { type Around, headingWithin } from '../around.ts'
import { keyOfList, linksOfList, renderLinks } from '../linkList.ts'
import { type PieceOutput, SHOWS_NO_MENU } from '../pieceOutput.ts'

/** Lists of links beside each other, each under its heading; a column without a link is left out. */
function prepareColumns({ id, label, columns }: PieceOf<'columns'>, around: Around): string {
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

export const columnsOutput: PieceOutput<PieceOf<'columns'>> = {
  prepare: (piece, around) => ({ html: prepareColumns(piece, around) }),
  links({ columns }, site) {
    const leads = columns.flatMap(({ links }) => linksOfList(site, links))
    return () => leads
  },
  ...SHOWS_NO_MENU,
  fromPlan: ({ columns }, site) => columns.map(({ links }) => keyOfList(site, links)).join(),
}
