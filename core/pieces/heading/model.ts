import { LEADS_NOWHERE, type PieceModel, pieceSchemaOf } from '../pieceModel.ts'

const schema = pieceSchemaOf('heading', {})

/** The first heading of the page, where it does not stand above the content. */
export const heading: PieceModel<typeof schema> = {
  schema,
  name: 'Page heading',
  isNavigation: false,
  part: 'heading',
  fresh: () => ({}),
  ...LEADS_NOWHERE,
}
