import * as v from 'valibot'
import { lines } from '../../standard/text.ts'
import { LEADS_NOWHERE, type PieceModel, pieceSchemaOf } from '../pieceModel.ts'

const schema = pieceSchemaOf('address', { lines: v.optional(lines(1000), '') })

/** A postal address, a line each. */
export const address: PieceModel<typeof schema> = {
  schema,
  name: 'Postal address',
  isNavigation: false,
  part: undefined,
  fresh: () => ({ lines: '' }),
  ...LEADS_NOWHERE,
}
