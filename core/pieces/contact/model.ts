import * as v from 'valibot'
import { line, lines } from '../../standard/text.ts'
import { LEADS_NOWHERE, type PieceModel, pieceSchemaOf } from '../pieceModel.ts'

const schema = pieceSchemaOf('contact', {
  heading: v.optional(line(200), ''),
  lines: v.optional(lines(1000), ''),
})

/** Ways to reach those who make the site, a line each: an e-mail address and a phone number become links. */
export const contact: PieceModel<typeof schema> = {
  schema,
  name: 'Contact',
  isNavigation: false,
  part: undefined,
  fresh: () => ({ heading: '', lines: '' }),
  ...LEADS_NOWHERE,
}
