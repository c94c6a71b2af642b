import * as v from 'valibot'
import { lines } from '../../standard/text.ts'
import { LEADS_NOWHERE, type PieceModel, pieceSchemaOf } from '../pieceModel.ts'

const schema = pieceSchemaOf('text', { text: v.optional(lines(5000), '') })

/** Paragraphs, parted by empty lines. */
export const text: PieceModel<typeof schema> = {
  schema,
  name: 'Text',
  isNavigation: false,
  part: undefined,
  fresh: () => ({ text: '' }),
  ...LEADS_NOWHERE,
}
