import type { Change } from './change.ts'

/** The fields in which two objects of one kind differ. */
function fieldsApart(a: object, b: object): string[] {
  const [one, other] = [a as Record<string, unknown>, b as Record<string, unknown>]
  return Object.keys(other).filter((field) => one[field] !== other[field])
}

/**
 * Whether the second of two changes sets the very thing that the first set: then it is all that is left of both, and
 * what takes the first back takes back both.
 */
export function setsSameField(a: Change, b: Change): boolean {
  if (a.kind !== b.kind) return false
  switch (a.kind) {
    case 'setEntry':
      return b.kind === a.kind && a.entry === b.entry && a.field === b.field
    case 'setSite':
    case 'setSurround':
      return b.kind === a.kind && a.field === b.field
    case 'setPiece':
      // The second was made of the first: what they differ in is what was typed on.
      return b.kind === a.kind && a.piece.id === b.piece.id && fieldsApart(a.piece, b.piece).length <= 1
    case 'setMenu':
      return b.kind === a.kind && a.menu.id === b.menu.id && fieldsApart(a.menu, b.menu).length <= 1
    case 'setMaking':
      return b.kind === a.kind && a.page === b.page
    case 'setFile':
      return b.kind === a.kind && a.file.id === b.file.id && fieldsApart(a.file, b.file).length <= 1
    case 'add':
    case 'remove':
    case 'move':
    case 'replaceEntry':
    case 'addFile':
    case 'removeFile':
    case 'addPiece':
    case 'removePiece':
    case 'movePiece':
    case 'addMenu':
    case 'removeMenu':
    case 'restore':
    case 'batch':
      return false
  }
}
