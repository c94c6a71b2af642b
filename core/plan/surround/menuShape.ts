export const MENU_SHAPES = ['row', 'stack', 'opening', 'line', 'columns'] as const
/** How a menu is drawn: a row, a stack, a row with submenus that open, one line with separators, columns. */
export type MenuShape = (typeof MENU_SHAPES)[number]

/** The shape that own HTML asks for by name; a stack for any other word. */
export function shapeNamed(name: string | undefined): MenuShape {
  return MENU_SHAPES.find((shape) => shape === name) ?? 'stack'
}
