import type { Site } from '../site.ts'
import type { Change, SingleChange } from './change.ts'
import { setEntryField, setSetting } from './fields.ts'
import { addFile, removeFile, setFile } from './files.ts'
import { addBranches, moveBranch, removeBranches } from './hierarchy.ts'
import { changeSurround } from './surround.ts'

/** A site after a change. Applying `inverse` to it gives the site before, exactly. */
export interface Applied {
  readonly site: Site
  readonly inverse: Change
}

/** The part of the site that a change made anew, with the inverse. */
function outcomeOf(site: Site, change: SingleChange): Partial<Site> & { inverse: Change } {
  switch (change.kind) {
    case 'add':
      return addBranches(site.plan, change)
    case 'remove':
      return removeBranches(site.plan, change)
    case 'move':
      return moveBranch(site.plan, change)
    case 'setEntry':
      return setEntryField(site, change)
    case 'setSite':
      return setSetting(site, change)
    case 'addFile':
      return addFile(site, change)
    case 'setFile':
      return setFile(site, change)
    case 'removeFile':
      return removeFile(site, change)
    default:
      return changeSurround(site, change)
  }
}

function applySingle(site: Site, change: SingleChange): Applied {
  const { inverse, ...madeAnew } = outcomeOf(site, change)
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
  if (change.kind !== 'batch') return applySingle(site, change)
  const inverses: Change[] = []
  for (const single of change.changes) {
    const applied = applySingle(site, single)
    site = applied.site
    inverses.push(applied.inverse)
  }
  return { site, inverse: { kind: 'batch', changes: inverses.reverse().flatMap(singlesOf) } }
}
