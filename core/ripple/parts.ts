import type { HereMark } from '../navigate/menu.ts'
import { modelOf } from '../plan/surround/piece.ts'
import type { Place } from '../plan/surround/place.ts'
import type { Standing } from '../plan/surround/surround.ts'

/** The parts of a page that one change can make different. */
export const RIPPLE_PARTS = [
  'title',
  'description',
  'head',
  'header',
  'menu',
  'here mark',
  'side',
  'banner',
  'breadcrumb',
  'heading',
  'around the content',
  'main content',
  'text links',
  'pager',
  'footer',
] as const
export type RipplePart = (typeof RIPPLE_PARTS)[number]

export const PART_OF_PLACE: Readonly<Record<Place, RipplePart>> = {
  header: 'header',
  side: 'side',
  before: 'around the content',
  after: 'around the content',
  footer: 'footer',
}

/** What a piece is called among the parts of a page. */
export const partOfPiece = ({ piece, place }: Pick<Standing, 'piece' | 'place'>): RipplePart =>
  modelOf(piece.kind).part ?? PART_OF_PLACE[place]

export function isSameMark(was: HereMark, is: HereMark): boolean {
  return (
    was.here === is.here &&
    was.nearest === is.nearest &&
    was.within.size === is.within.size &&
    [...was.within].every((item) => is.within.has(item))
  )
}
