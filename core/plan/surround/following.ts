import type { LinkTarget } from '../entry.ts'
import type { Menu } from './menu.ts'
import type { PickedLink, Piece } from './piece.ts'

/** What becomes of where links lead; each gives back the same where it stays as it is. */
export interface Following {
  target(target: LinkTarget): LinkTarget
  html(html: string): string
}

/** Gives back the same list where every one of it stays the same object. */
function mapped<One>(all: readonly One[], next: (one: One) => One): One[] {
  const after = all.map(next)
  return after.every((one, at) => one === all[at]) ? (all as One[]) : after
}

function linksAfter(links: readonly PickedLink[], following: Following): PickedLink[] {
  return mapped(links, (link) => {
    const target = following.target(link.target)
    return target === link.target ? link : { ...link, target }
  })
}

/** A menu whose links follow; the same object where nothing of it does. */
export function menuAfter(menu: Menu, following: Following): Menu {
  switch (menu.kind) {
    case 'plan':
      return menu
    case 'picked': {
      const links = linksAfter(menu.links, following)
      return links === menu.links ? menu : { ...menu, links }
    }
  }
}

/** A piece whose links follow; the same object where nothing of it does. */
export function pieceAfter(piece: Piece, following: Following): Piece {
  switch (piece.kind) {
    case 'links': {
      const links = linksAfter(piece.links, following)
      return links === piece.links ? piece : { ...piece, links }
    }
    case 'columns': {
      const columns = mapped(piece.columns, (column) => {
        const links = linksAfter(column.links, following)
        return links === column.links ? column : { ...column, links }
      })
      return columns === piece.columns ? piece : { ...piece, columns }
    }
    case 'html': {
      const html = following.html(piece.html)
      return html === piece.html ? piece : { ...piece, html }
    }
    case 'brand':
    case 'menu':
    case 'banner':
    case 'breadcrumb':
    case 'heading':
    case 'pager':
    case 'contact':
    case 'address':
    case 'copyright':
    case 'text':
      return piece
  }
}
