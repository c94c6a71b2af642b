import * as v from 'valibot'
import { itemIdSchema } from '../../plan/ids.ts'
import { linksAfter, mapped } from '../../plan/surround/following.ts'
import { pickedLinksSchema } from '../../plan/surround/pickedLink.ts'
import { filledLine } from '../../standard/text.ts'
import { type PieceModel, pieceSchemaOf } from '../pieceModel.ts'

const MOST = 12
const column = v.strictObject({ id: itemIdSchema, heading: filledLine(200), links: pickedLinksSchema(50) })

const schema = pieceSchemaOf('columns', {
  /** What a screen reader calls them. */
  label: filledLine(100),
  columns: v.optional(v.pipe(v.array(column), v.maxLength(MOST, `must hold at most ${MOST}`)), []),
})

/** Lists of picked links beside each other, each under its heading. */
export const columns: PieceModel<typeof schema> = {
  schema,
  name: 'Columns of links',
  isNavigation: true,
  part: undefined,
  fresh: () => ({ label: 'More links', columns: [] }),
  files: () => [],
  pickedLists: ({ columns }) => columns.map(({ heading, links }) => ({ label: heading, links })),
  after(piece, following) {
    const columns = mapped(piece.columns, (one) => {
      const links = linksAfter(one.links, following)
      return links === one.links ? one : { ...one, links }
    })
    return columns === piece.columns ? piece : { ...piece, columns }
  },
}
