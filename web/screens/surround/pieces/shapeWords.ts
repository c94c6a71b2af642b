import type { MenuShape } from '@viatica/core/plan/surround/menuShape.ts'

/** What authors call the layouts of a menu. */
export const SHAPE_WORDS: Readonly<Record<MenuShape, string>> = {
  row: 'row',
  stack: 'vertical list',
  opening: 'dropdown',
  line: 'inline',
  columns: 'columns',
}
