import type { MovePiece } from '../plan/change/surroundChange.ts'
import { PLACES } from '../plan/surround/place.ts'
import { piecesOf, standingOf, type Surround } from '../plan/surround/surround.ts'

/**
 * The change that moves a piece one step up or down: among the pieces of its place, and past its ends to the place
 * before or after. Undefined where there is none.
 */
export function pieceStep(surround: Surround, id: string, direction: 'up' | 'down'): MovePiece | undefined {
  const standing = standingOf(surround, id)
  if (!standing) return undefined
  const { piece, place, at } = standing
  const to = (there: typeof place, where: number): MovePiece => ({
    kind: 'movePiece',
    piece: id,
    place: there,
    at: where,
    beside: where > 0 && piece.beside,
  })
  const { places } = piecesOf(surround)
  const last = places[place].length - 1
  if (direction === 'up' && at > 0) return to(place, at - 1)
  if (direction === 'down' && at < last) return to(place, at + 1)
  const next = PLACES[PLACES.indexOf(place) + (direction === 'up' ? -1 : 1)]
  return next && to(next, direction === 'up' ? places[next].length : 0)
}
