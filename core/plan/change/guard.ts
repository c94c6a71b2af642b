import type { Site } from '../site.ts'
import { applySingle, singlesOf } from './apply.ts'
import type { Change, SingleChange } from './change.ts'
import { markOf } from './mark.ts'
import { writtenOver } from './over.ts'

/**
 * A change that holds only as long as nobody wrote over what it writes over. It is meant for what takes an edit back:
 * what others did since is then not lost without a word.
 * @param site the one that the change would be made on, as its author saw it
 */
export function guarded(site: Site, change: Change): Change {
  const own = new Set<object>()
  const singles = singlesOf(change).map((single): SingleChange => {
    const before = writtenOver(site, single)
    site = applySingle(site, single, own).site
    return before === undefined ? single : ({ ...single, over: markOf(before) } as SingleChange)
  })
  return change.kind === 'batch' ? { ...change, changes: singles } : singles[0]!
}

/** A change that holds whatever it writes over. */
export function unguarded(change: Change): Change {
  const without = (single: SingleChange): SingleChange => {
    const { over: _, ...rest } = single as SingleChange & { over?: string }
    return rest as SingleChange
  }
  return change.kind === 'batch' ? { ...change, changes: change.changes.map(without) } : without(change)
}
