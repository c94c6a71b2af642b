import type { HereMark } from '../navigate/menu.ts'
import { modelOf } from '../plan/surround/piece.ts'
import type { Place } from '../plan/surround/place.ts'
import type { Standing } from '../plan/surround/surround.ts'

/** What the parts of a page are, and what one change can make different of them: a mark in its menu, a link in its main content. */
export const PAGE_PARTS = [
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
export type PagePart = (typeof PAGE_PARTS)[number]

/** What a page has in itself: marks and links are told by the parts that they are in. */
export type WholePart = Exclude<PagePart, 'here mark' | 'text links'>
export const WHOLE_PARTS: readonly WholePart[] = PAGE_PARTS.filter(
  (part): part is WholePart => part !== 'here mark' && part !== 'text links',
)

/** The whole part that something of a page is in. */
export const wholePartOf = (part: PagePart): WholePart =>
  part === 'here mark' ? 'menu' : part === 'text links' ? 'main content' : part

export const PART_OF_PLACE: Readonly<Record<Place, WholePart>> = {
  header: 'header',
  side: 'side',
  before: 'around the content',
  after: 'around the content',
  footer: 'footer',
}

/** What a piece is called among the parts of a page. */
export const partOfPiece = ({ piece, place }: Pick<Standing, 'piece' | 'place'>): WholePart =>
  modelOf(piece.kind).part ?? PART_OF_PLACE[place]

export function isSameMark(was: HereMark, is: HereMark): boolean {
  return (
    was.here === is.here &&
    was.nearest === is.nearest &&
    was.within.size === is.within.size &&
    [...was.within].every((item) => is.within.has(item))
  )
}
