import * as v from 'valibot'
import { pictureSchema } from '../../plan/entry.ts'
import { line } from '../../standard/text.ts'
import { LEADS_NOWHERE, type PieceModel, pieceSchemaOf } from '../pieceModel.ts'

const schema = pieceSchemaOf('banner', {
  picture: v.optional(v.nullable(pictureSchema), null),
  text: v.optional(line(300), ''),
})

/** The page's own banner, else that of the section it is in, else this one. */
export const banner: PieceModel<typeof schema> = {
  schema,
  name: 'Banner',
  isNavigation: false,
  part: 'banner',
  fresh: () => ({ picture: null, text: '' }),
  ...LEADS_NOWHERE,
  files: ({ picture }) => (picture ? [picture.file] : []),
}
