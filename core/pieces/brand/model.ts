import { flag, LEADS_NOWHERE, type PieceModel, pieceSchemaOf } from '../pieceModel.ts'

const schema = pieceSchemaOf('brand', { picture: flag(true), name: flag(true), tagline: flag(true) })

/** Picture, name and tagline of the site, linked to the home page. */
export const brand: PieceModel<typeof schema> = {
  schema,
  name: 'Logo and site name',
  isNavigation: false,
  part: undefined,
  fresh: () => ({ picture: true, name: true, tagline: true }),
  ...LEADS_NOWHERE,
}
