import { applyChange, singlesOf } from '../plan/change/apply.ts'
import type { SingleChange } from '../plan/change/change.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import type { Site } from '../plan/site.ts'
import { Checker } from './checker.ts'

/**
 * The changes that mend findings, to be made as one. A mend names places in a text, which another may have moved: each is
 * asked for anew on what those before it have left.
 * @param keys of the findings; those that have no mend, or are gone by then, are passed over
 */
export function mendsOf(site: Site, keys: readonly string[]): { changes: SingleChange[]; count: number } {
  const checker = new Checker()
  const left = new Set(keys)
  const changes: SingleChange[] = []
  let count = 0
  for (let now = site; ;) {
    const next = checker.check(now).find(({ key, mend }) => left.has(key) && mend)
    if (!next?.mend) return { changes, count }
    left.delete(next.key)
    try {
      now = applyChange(now, next.mend).site
    } catch (error) {
      if (error instanceof ChangeRefused) continue
      throw error
    }
    changes.push(...singlesOf(next.mend))
    count++
  }
}
