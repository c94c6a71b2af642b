import * as v from 'valibot'
import { line } from '../../standard/text.ts'
import { LEADS_NOWHERE, type PieceModel, pieceSchemaOf } from '../pieceModel.ts'

const year = v.pipe(
  v.number('must be a year'),
  v.integer('must be a whole year'),
  v.minValue(1000, 'must be a year of four digits'),
  v.maxValue(9999, 'must be a year of four digits'),
)

const schema = pieceSchemaOf('copyright', {
  holder: v.optional(line(300), ''),
  from: v.optional(v.nullable(year), null),
})

/** © holder, first year to the year of the build. */
export const copyright: PieceModel<typeof schema> = {
  schema,
  name: 'Copyright',
  isNavigation: false,
  part: undefined,
  fresh: () => ({ holder: '', from: null }),
  ...LEADS_NOWHERE,
}
