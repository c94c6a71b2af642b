import type { Menu } from './menu.ts'
import type { Piece, PieceKind } from './piece.ts'

/** A new piece of a kind, with nothing in it yet. @param menu the id of the menu that a menu piece shows */
export function newPiece(kind: PieceKind, id: string, menu: string): Piece {
  const base = { id, beside: false }
  switch (kind) {
    case 'brand':
      return { ...base, kind, picture: true, name: true, tagline: true }
    case 'menu':
      return { ...base, kind, menu, shape: 'stack', folds: false }
    case 'links':
      return { ...base, kind, label: 'Links', links: [] }
    case 'banner':
      return { ...base, kind, picture: null, text: '' }
    case 'pager':
      return { ...base, kind, shows: 'both', up: false }
    case 'columns':
      return { ...base, kind, label: 'More links', columns: [] }
    case 'contact':
      return { ...base, kind, heading: '', lines: '' }
    case 'address':
      return { ...base, kind, lines: '' }
    case 'copyright':
      return { ...base, kind, holder: '', from: null }
    case 'text':
      return { ...base, kind, text: '' }
    case 'html':
      return { ...base, kind, html: '' }
    case 'breadcrumb':
    case 'heading':
      return { ...base, kind }
  }
}

/** A new menu from the home page, or of picked links. */
export function newMenu(kind: Menu['kind'], id: string, name: string): Menu {
  return kind === 'plan'
    ? { id, kind, name, from: { at: 'home' }, depth: 2, exceptions: [] }
    : { id, kind, name, links: [] }
}
