import * as v from 'valibot'
import { menuIdSchema } from '../../plan/ids.ts'
import { MENU_SHAPES } from '../../plan/surround/menuShape.ts'
import { flag, LEADS_NOWHERE, type PieceModel, pieceSchemaOf } from '../pieceModel.ts'

const schema = pieceSchemaOf('menu', {
  menu: menuIdSchema,
  shape: v.picklist(MENU_SHAPES, `must be ${MENU_SHAPES.join(', ')}`),
  /** Whether it folds behind a button on a narrow screen. */
  folds: flag(false),
})

/** One of the menus of the site, drawn in a shape. */
export const menu: PieceModel<typeof schema> = {
  schema,
  name: 'Menu',
  isNavigation: true,
  part: 'menu',
  fresh: (shown) => ({ menu: shown, shape: 'stack', folds: false }),
  ...LEADS_NOWHERE,
}
