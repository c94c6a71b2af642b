import type { Pieces } from '../../plan/surround/surround.ts'
import { baseStyles } from './base.ts'
import { CONTENT_STYLES } from './content.ts'
import { menuStyles } from './menus.ts'
import { fontFaceStyles } from './openFonts.ts'
import { pieceStyles } from './pieces.ts'
import { placeStyles } from './places.ts'

/**
 * The style sheet of a finished site, made from the few choices of its look.
 * @param fonts the folder of the open fonts, as the style sheet reaches it
 */
export function styleSheet({ look, here, breadcrumb, places }: Pieces, fonts: string): string {
  return (
    fontFaceStyles(look, fonts) +
    baseStyles(look) +
    CONTENT_STYLES +
    placeStyles(look, places.side.length > 0) +
    pieceStyles(look, breadcrumb) +
    menuStyles(look, here)
  )
}
