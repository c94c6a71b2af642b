import { applyChange } from '../plan/change/apply.ts'
import type { SingleChange } from '../plan/change/change.ts'
import type { Site } from '../plan/site.ts'
import { MAX_MENUS, STANDARD_SURROUND, allPieces, standings } from '../plan/surround/surround.ts'

/**
 * The changes after which pages of existing HTML stand in pieces: of their own HTML only the content is left, and around it
 * is what new sites start with, with the main menu that the pages have.
 */
export function piecesInstead(site: Site): SingleChange[] {
  const { surround } = site
  if (surround.kind === 'pieces') return []
  const [standard] = STANDARD_SURROUND.menus
  const own = surround.menus.find((menu) => menu.kind === 'plan' && menu.from.at === 'home')
  const isFull = surround.menus.length >= MAX_MENUS
  const menu = own ?? (isFull ? surround.menus[0]! : standard!)
  const isThere = surround.menus.some(({ id }) => id === menu.id)
  const taken = new Set([...allPieces(surround)].map(({ piece }) => piece.id))
  return [
    { kind: 'setSurround', field: 'templates', value: null },
    ...(isThere ? [] : [{ kind: 'addMenu', at: 0, menu } as const]),
    ...[...standings(STANDARD_SURROUND)].flatMap(({ piece, place, at }): SingleChange[] => {
      if (taken.has(piece.id)) return []
      return [
        { kind: 'addPiece', place, at, piece: piece.kind === 'menu' ? { ...piece, menu: menu.id } : piece },
      ]
    }),
  ]
}

/** A site of existing pages with pieces around its content. */
export const inPieces = (site: Site): Site =>
  applyChange(site, { kind: 'batch', changes: piecesInstead(site) }).site
