import type { EntryId } from '../plan/ids.ts'
import type { PiecesSite } from '../plan/site.ts'
import type { Menu } from '../plan/surround/menu.ts'
import type { MenuShape } from '../plan/surround/menuShape.ts'
import type { Piece } from '../plan/surround/piece.ts'
import type { Around, OnPage, Prepared } from './around.ts'
import type { FolderMenu } from './menu/folderMenu.ts'

/** A piece on the pages of one folder. */
export interface FolderPiece {
  readonly html: Prepared
  /** The menu that it is, if it is one. */
  readonly menu?: FolderMenu
}

/** Where a link leads: to a page of the site, or to what is none. */
export type Leads = EntryId | 'elsewhere'
/** The links on a page. */
export type LinksOnPage = (on: OnPage) => readonly Leads[]

/** A menu of the site, and how it is drawn. */
export interface ShownMenu {
  readonly menu: Menu
  readonly shape: MenuShape
}

/** What a kind of piece shows. */
export interface PieceOutput<One extends Piece> {
  /** Makes it ready for the pages of a folder. */
  prepare(piece: One, around: Around): FolderPiece
  /** The links that it writes on each page, in any order, without writing it. */
  links(piece: One, site: PiecesSite): LinksOnPage
  menus(piece: One, site: PiecesSite): readonly ShownMenu[]
  /**
   * What it shows alike on all pages that follows from the plan, its menus apart: where it is the same after a change of
   * the plan, the piece is.
   */
  fromPlan(piece: One, site: PiecesSite): string
}

/** Of kinds without menus, whose links follow from nothing else. */
export const SHOWS_NO_MENU = { menus: () => [] } as const
/** Of kinds that say of the plan at most what is the page’s own: that is looked at on each. */
export const SHOWS_OF_THE_PAGE = { ...SHOWS_NO_MENU, fromPlan: () => '' } as const
/** Of kinds that show nothing of the plan, and link to nothing. */
export const SHOWS_ITSELF = { ...SHOWS_OF_THE_PAGE, links: (): LinksOnPage => () => [] } as const
