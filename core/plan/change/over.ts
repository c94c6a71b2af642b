import { branchOf } from '../branch.ts'
import type { Body } from '../entry.ts'
import type { EntryId } from '../ids.ts'
import { childrenOf } from '../plan.ts'
import type { Site } from '../site.ts'
import { menuOf, ruleOf, standingOf, templatesOf } from '../surround/surround.ts'
import type { SingleChange } from './change.ts'
import { markOf } from './mark.ts'
import { restoredOver } from './restore.ts'
import { valueAt } from '../../standard/record.ts'

/** What a change puts in the place of what it writes over; undefined for one that takes away, moves or adds. */
function written(change: SingleChange): unknown {
  switch (change.kind) {
    case 'setEntry':
      return change.field === 'body' ? change.value.html : change.value
    case 'setSite':
    case 'setSurround':
      return change.value
    case 'setFile':
      return change.file
    case 'setPiece':
      return change.piece
    case 'replaceEntry':
      return change.entry
    case 'setMenu':
      return change.menu
    case 'setMaking':
      return change.making
    case 'remove':
    case 'move':
    case 'removeFile':
    case 'removePiece':
    case 'movePiece':
    case 'removeMenu':
    case 'restore':
    case 'add':
    case 'addFile':
    case 'addPiece':
    case 'addMenu':
      return undefined
  }
}

/** Where something is among others: in what, and after which; empty for the first. */
export interface PlaceOver {
  readonly parent: string
  readonly after: string
}

/** Where an entry is: others that come and go further on do not change that. */
function placeOver({ plan }: Site, id: EntryId): PlaceOver | undefined {
  const parent = plan.parents.get(id)
  if (parent === undefined) return undefined
  const siblings = childrenOf(plan, parent)
  return { parent, after: siblings[siblings.indexOf(id) - 1] ?? '' }
}

/** What the entries of a plan are, each with all under it; those that are gone are passed over. */
const branches = ({ plan }: Site, ids: readonly EntryId[]) =>
  ids.filter((id) => plan.entries.has(id)).map((id) => branchOf(plan, id))

/**
 * What a change would write over: the value that stands where it puts another, or what it takes away. Undefined for
 * one that only adds, and where nothing stands.
 */
export function writtenOver(site: Site, change: SingleChange): unknown {
  switch (change.kind) {
    case 'setEntry': {
      const entry = site.plan.entries.get(change.entry)
      const value = (entry as Record<string, unknown> | undefined)?.[change.field]
      // The day on which a text was changed says nothing of the text.
      return change.field === 'body' ? (value as Body | undefined)?.html : value
    }
    case 'replaceEntry':
      return site.plan.entries.get(change.entry.id)
    case 'remove':
      return branches(site, change.entries)
    case 'move':
      return placeOver(site, change.entry)
    case 'setSite':
      return site.settings[change.field]
    case 'setSurround':
      return ruleOf(site.surround, change.field)
    case 'setFile':
      return site.files.get(change.file.id)
    case 'removeFile':
      return site.files.get(change.file)
    case 'setPiece':
      return standingOf(site.surround, change.piece.id)?.piece
    case 'removePiece':
      return standingOf(site.surround, change.piece)?.piece
    case 'movePiece':
      return standingOf(site.surround, change.piece)?.place
    case 'setMenu':
      return menuOf(site.surround, change.menu.id)
    case 'setMaking':
      return valueAt(templatesOf(site.surround)?.pages ?? {}, change.page)
    case 'removeMenu':
      return menuOf(site.surround, change.menu)
    case 'restore':
      return restoredOver(site, change)
    case 'add':
    case 'addFile':
    case 'addPiece':
    case 'addMenu':
      return undefined
  }
}

/** Whether what a change writes stands there already. */
export function isWritten(site: Site, change: SingleChange): boolean {
  const put = written(change)
  return put !== undefined && markOf(writtenOver(site, change) ?? null) === markOf(put)
}

/**
 * What somebody else wrote where a change would write, after its author looked; undefined where nobody did, and where
 * it is what the change would write.
 */
export function writtenSince(site: Site, change: SingleChange): unknown {
  if (!('over' in change) || change.over === undefined) return undefined
  const now = writtenOver(site, change)
  if (now === undefined) return undefined
  return markOf(now) === change.over || isWritten(site, change) ? undefined : now
}
