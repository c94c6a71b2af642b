import type { PieceKind, Place } from './piece.ts'

/** What authors call each place. */
export const PLACE_NAMES: Readonly<Record<Place, string>> = {
  header: 'Header',
  side: 'Side',
  before: 'Place before the content',
  after: 'Place after the content',
  footer: 'Footer',
}

/** What authors call each kind of piece. */
export const PIECE_NAMES: Readonly<Record<PieceKind, string>> = {
  brand: 'Brand',
  menu: 'Menu',
  links: 'Picked links',
  banner: 'Banner',
  breadcrumb: 'Breadcrumb',
  heading: 'Page heading',
  pager: 'Pager',
  columns: 'Columns of links',
  contact: 'Contact',
  address: 'Postal address',
  copyright: 'Copyright',
  text: 'Text',
  html: 'Own HTML',
}
