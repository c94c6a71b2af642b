import type { MenuId, PieceId } from '../plan/ids.ts'
import type { Site } from '../plan/site.ts'
import type { Menu } from '../plan/surround/menu.ts'
import type { PickedLink } from '../plan/surround/pickedLink.ts'
import type { Piece } from '../plan/surround/piece.ts'
import { piecesShown } from '../plan/surround/surround.ts'
import { type PlacedWord, wordsInBody, wordsInText } from './wordsToLookUp.ts'

/** Gives what stands in the place of a text; HTML is not read as plain text is. */
export type Respell = (text: string, form: 'text' | 'html') => string

const relabelled = (links: readonly PickedLink[], respell: Respell): PickedLink[] =>
  links.map((link) => ({ ...link, label: respell(link.label, 'text') }))

/**
 * A piece with each of its texts as it is given anew. What names people, places and numbers is no text: the lines of a
 * contact, an address, the holder of a copyright.
 */
export function respeltPiece(piece: Piece, respell: Respell): Piece {
  switch (piece.kind) {
    case 'text':
    case 'banner':
      return { ...piece, text: respell(piece.text, 'text') }
    case 'contact':
      return { ...piece, heading: respell(piece.heading, 'text') }
    case 'links':
      return {
        ...piece,
        label: respell(piece.label, 'text'),
        links: relabelled(piece.links, respell),
      }
    case 'columns':
      return {
        ...piece,
        label: respell(piece.label, 'text'),
        columns: piece.columns.map((column) => ({
          ...column,
          heading: respell(column.heading, 'text'),
          links: relabelled(column.links, respell),
        })),
      }
    case 'html':
      return { ...piece, html: respell(piece.html, 'html') }
    case 'brand':
    case 'menu':
    case 'breadcrumb':
    case 'heading':
    case 'pager':
    case 'address':
    case 'copyright':
      return piece
  }
}

/** A menu with each of its texts as it is given anew. */
export function respeltMenu(menu: Menu, respell: Respell): Menu {
  const name = respell(menu.name, 'text')
  if (menu.kind === 'picked') return { ...menu, name, links: relabelled(menu.links, respell) }
  const exceptions = menu.exceptions.map((one) => ({ ...one, label: respell(one.label, 'text') }))
  return { ...menu, name, exceptions }
}

/** The words of a text around the content. */
export const wordsIn = (text: string, form: 'text' | 'html', { settings }: Pick<Site, 'settings'>) =>
  form === 'text' ? wordsInText(text) : wordsInBody({ html: text, changed: '' }, settings.language)

/** A piece or a menu, and the words that it has. */
export interface WordsAround {
  readonly place:
    | { readonly in: 'piece'; readonly piece: PieceId }
    | { readonly in: 'menu'; readonly menu: MenuId }
  readonly words: readonly PlacedWord[]
}

/** The words that stand around the content, piece by piece and menu by menu. */
export function* wordsAround(site: Site): Generator<WordsAround> {
  const collected = (read: (respell: Respell) => unknown): PlacedWord[] => {
    const words: PlacedWord[] = []
    read((text, form) => {
      words.push(...wordsIn(text, form, site))
      return text
    })
    return words
  }
  for (const { piece } of piecesShown(site.surround))
    yield {
      place: { in: 'piece', piece: piece.id },
      words: collected((respell) => respeltPiece(piece, respell)),
    }
  for (const menu of site.surround.menus)
    yield { place: { in: 'menu', menu: menu.id }, words: collected((respell) => respeltMenu(menu, respell)) }
}
