import { applyChange, singlesOf } from '../plan/change/apply.ts'
import type { SingleChange } from '../plan/change/change.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import type { Site } from '../plan/site.ts'
import { Checker } from './checker.ts'

/**
 * The changes that fix findings, to be made as one. A fix names places in a text, which another may have moved: each is
 * asked for anew on what those before it have left.
 * @param keys of the findings; those that have no fix, or are gone by then, are passed over
 */
export function fixesOf(site: Site, keys: readonly string[]): { changes: SingleChange[]; count: number } {
  const checker = new Checker()
  const left = new Set(keys)
  const changes: SingleChange[] = []
  let count = 0
  for (let now = site; ;) {
    const next = checker.check(now).find(({ key, fix }) => left.has(key) && fix)
    if (!next?.fix) return { changes, count }
    left.delete(next.key)
    try {
      now = applyChange(now, next.fix).site
    } catch (error) {
      if (error instanceof ChangeRefused) continue
      throw error
    }
    changes.push(...singlesOf(next.fix))
    count++
  }
}
