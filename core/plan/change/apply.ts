import type { Site } from '../site.ts'
import type { Change, SingleChange } from './change.ts'
import { replaceEntry, setEntryField, setSetting } from './fields.ts'
import { addFile, removeFile, setFile } from './files.ts'
import { addBranches, moveBranch, removeBranches } from './hierarchy.ts'
import type { Own } from './own.ts'
import { writtenSince } from './over.ts'
import { WrittenSince } from './refused.ts'
import { restoreSite } from './restore.ts'
import { changeSurround } from './surround.ts'
import { thingWords } from './changeWords.ts'

/** A site after a change. Applying `inverse` to it gives the site before, exactly. */
export interface Applied {
  readonly site: Site
  readonly inverse: Change
}

/** The part of the site that a change made anew, with the inverse. */
function outcomeOf(site: Site, change: SingleChange, own: Own): Partial<Site> & { inverse: Change } {
  switch (change.kind) {
    case 'add':
      return addBranches(site, change, own)
    case 'remove':
      return removeBranches(site, change, own)
    case 'move':
      return moveBranch(site.plan, change, own)
    case 'replaceEntry':
      return replaceEntry(site, change, own)
    case 'setEntry':
      return setEntryField(site, change, own)
    case 'setSite':
      return setSetting(site, change)
    case 'addFile':
      return addFile(site, change, own)
    case 'setFile':
      return setFile(site, change, own)
    case 'removeFile':
      return removeFile(site, change, own)
    case 'restore':
      return restoreSite(site, change)
    case 'addPiece':
    case 'removePiece':
    case 'movePiece':
    case 'setPiece':
    case 'addMenu':
    case 'removeMenu':
    case 'setMenu':
    case 'setSurround':
    case 'setMaking':
      return changeSurround(site, change)
  }
}

/** What a change writes over, for people. */
function writtenSinceWords(site: Site, change: SingleChange): string {
  const words: Partial<Record<SingleChange['kind'], string>> = {
    remove: 'was changed, or has new pages under it',
    move: 'was moved elsewhere',
    movePiece: 'was moved elsewhere',
  }
  return `${thingWords(site, change)} ${words[change.kind] ?? 'was changed'} in another window meanwhile.`
}

/**
 * Makes a change that does one thing.
 * @param own maps that were copied for this change as a whole, and may be written to
 * @throws ChangeRefused
 */
export function applySingle(site: Site, change: SingleChange, own: Own): Applied {
  const now = writtenSince(site, change)
  if (now !== undefined) throw new WrittenSince(writtenSinceWords(site, change), change, now)
  const { inverse, ...madeAnew } = outcomeOf(site, change, own)
  return { site: { ...site, ...madeAnew }, inverse }
}

/** The changes of which a change is made, in their order. */
export function singlesOf(change: Change): readonly SingleChange[] {
  return change.kind === 'batch' ? change.changes : [change]
}

/**
 * Makes a change on a site and works out the change that undoes it. The site given is left as it was.
 * @throws ChangeRefused when the change makes no sense on this site; of a batch, then nothing is done.
 */
export function applyChange(site: Site, change: Change): Applied {
  const own: Own = new Set()
  if (change.kind !== 'batch') return applySingle(site, change, own)
  const inverses: Change[] = []
  for (const single of change.changes) {
    const applied = applySingle(site, single, own)
    site = applied.site
    inverses.push(applied.inverse)
  }
  return { site, inverse: { kind: 'batch', changes: inverses.reverse().flatMap(singlesOf) } }
}
