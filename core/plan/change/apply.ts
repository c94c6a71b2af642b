import type { Site } from '../site.ts'
import type { Change, SingleChange } from './change.ts'
import { setEntryField, setSetting } from './fields.ts'
import { addFile, removeFile } from './files.ts'
import { addBranch, moveBranch, removeBranch } from './hierarchy.ts'

/** A site after a change. Applying `inverse` to it gives the site before, exactly. */
export interface Applied<Inverse = Change> {
  readonly site: Site
  readonly inverse: Inverse
}

/** The part of the site that a change made anew, with the inverse. */
function outcomeOf(site: Site, change: SingleChange): Partial<Site> & { inverse: SingleChange } {
  switch (change.kind) {
    case 'add':
      return addBranch(site.plan, change)
    case 'remove':
      return removeBranch(site.plan, change)
    case 'move':
      return moveBranch(site.plan, change)
    case 'setEntry':
      return setEntryField(site, change)
    case 'setSite':
      return setSetting(site, change)
    case 'addFile':
      return addFile(site, change)
    case 'removeFile':
      return removeFile(site, change)
  }
}

function applySingle(site: Site, change: SingleChange): Applied<SingleChange> {
  const { inverse, ...madeAnew } = outcomeOf(site, change)
  return { site: { ...site, ...madeAnew }, inverse }
}

/**
 * Makes a change on a site and works out the change that undoes it. The site given is left as it was.
 * @throws ChangeRefused when the change makes no sense on this site; of a batch, then nothing is done.
 */
export function applyChange(site: Site, change: Change): Applied {
  if (change.kind !== 'batch') return applySingle(site, change)
  const inverses: SingleChange[] = []
  for (const single of change.changes) {
    const applied = applySingle(site, single)
    site = applied.site
    inverses.unshift(applied.inverse)
  }
  return { site, inverse: { kind: 'batch', changes: inverses } }
}
