import type { SingleChange } from '../plan/change/change.ts'
import type { Entry } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import type { Site } from '../plan/site.ts'
import { type Following, menuAfter } from '../plan/surround/following.ts'
import { modelOf } from '../plan/surround/piece.ts'
import { allPieces, type Surround } from '../plan/surround/surround.ts'

/**
 * The changes after which the links of main contents, of the plan, of pieces and of menus lead where `following` says. What
 * templates have around the content, and redirects, are for the caller.
 * @param isLeft of an entry whose own links stay as they are
 */
export const followLinks = (
  { plan, surround }: Site,
  following: Following,
  isLeft: (id: EntryId) => boolean,
): SingleChange[] => [
  ...[...plan.entries.values()].flatMap((entry) => (isLeft(entry.id) ? [] : entryChanges(entry, following))),
  ...surroundChanges(surround, following),
]

function entryChanges(entry: Entry, following: Following): SingleChange[] {
  switch (entry.kind) {
    case 'page': {
      const html = following.html(entry.body.html)
      if (html === entry.body.html) return []
      return [{ kind: 'setEntry', entry: entry.id, field: 'body', value: { ...entry.body, html } }]
    }
    case 'link': {
      const value = following.target(entry.target)
      return value === entry.target ? [] : [{ kind: 'setEntry', entry: entry.id, field: 'target', value }]
    }
    case 'group':
      return []
  }
}

function surroundChanges(surround: Surround, following: Following): SingleChange[] {
  const pieces = [...allPieces(surround)].flatMap(({ piece }): SingleChange[] => {
    const after = modelOf(piece.kind).after(piece, following)
    return after === piece ? [] : [{ kind: 'setPiece', piece: after }]
  })
  const menus = surround.menus.flatMap((menu): SingleChange[] => {
    const after = menuAfter(menu, following)
    return after === menu ? [] : [{ kind: 'setMenu', menu: after }]
  })
  return [...pieces, ...menus]
}
