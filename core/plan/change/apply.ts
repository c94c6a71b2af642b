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

function applySingle(site: Site, change: SingleChange): Applied<SingleChange> {
  switch (change.kind) {
    case 'add': {
      const { plan, inverse } = addBranch(site.plan, change)
      return { site: { ...site, plan }, inverse }
    }
    case 'remove': {
      const { plan, inverse } = removeBranch(site.plan, change)
      return { site: { ...site, plan }, inverse }
    }
    case 'move': {
      const { plan, inverse } = moveBranch(site.plan, change)
      return { site: { ...site, plan }, inverse }
    }
    case 'setEntry': {
      const { plan, inverse } = setEntryField(site, change)
      return { site: { ...site, plan }, inverse }
    }
    case 'setSite': {
      const { settings, inverse } = setSetting(site, change)
      return { site: { ...site, settings }, inverse }
    }
    case 'addFile': {
      const { files, inverse } = addFile(site, change)
      return { site: { ...site, files }, inverse }
    }
    case 'removeFile': {
      const { files, inverse } = removeFile(site, change)
      return { site: { ...site, files }, inverse }
    }
  }
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
