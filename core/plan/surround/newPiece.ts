import type { MenuId, PieceId } from '../ids.ts'
import type { Menu } from './menu.ts'
import { modelOf, type Piece, type PieceKind } from './piece.ts'

/** A new piece of a kind, with nothing in it yet. @param menu the id of the menu that a menu piece shows */
export function newPiece(kind: PieceKind, id: PieceId, menu: MenuId): Piece {
  return { id, kind, beside: false, ...modelOf(kind).fresh(menu) } as Piece
}

/** A new menu from the home page, or of picked links. */
export function newMenu(kind: Menu['kind'], id: MenuId, name: string): Menu {
  return kind === 'plan'
    ? { id, kind, name, from: { at: 'home' }, depth: 2, exceptions: [] }
    : { id, kind, name, links: [] }
}
