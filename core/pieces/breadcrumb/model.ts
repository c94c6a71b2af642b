import { LEADS_NOWHERE, type PieceModel, pieceSchemaOf } from '../pieceModel.ts'

const schema = pieceSchemaOf('breadcrumb', {})

/** The way to the page. */
export const breadcrumb: PieceModel<typeof schema> = {
  schema,
  name: 'Breadcrumb',
  isNavigation: true,
  part: 'breadcrumb',
  fresh: () => ({}),
  ...LEADS_NOWHERE,
}
