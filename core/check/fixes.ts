import { applyChange, singlesOf } from '../plan/change/apply.ts'
import type { SingleChange } from '../plan/change/change.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import type { Site } from '../plan/site.ts'
import { Checker } from './checker.ts'
import type { Finding } from './rule.ts'

/** What fixes findings: the changes, to be made as one, and how many findings they fix. */
export interface Fixes {
  readonly changes: readonly SingleChange[]
  readonly count: number
}

/** How many findings were gone through. */
export interface FixStep {
  readonly done: number
  readonly total: number
}

/** Of findings that judge the same in one place, the number; see `Checker`. */
const NUMBERED = /^([^:]*:[^:]*:[^:]*):(\d+)$/

/**
 * The findings in the order in which they are fixed. Those that judge the same in one place are told apart by their order
 * alone: the last of them goes first, so that the others keep their numbers, and their places in the text.
 */
function inOrder(findings: readonly Finding[]): Finding[] {
  const groups = new Map<string, Finding[]>()
  for (const finding of findings) {
    const base = NUMBERED.exec(finding.key)?.[1] ?? finding.key
    const group = groups.get(base)
    if (group) group.unshift(finding)
    else groups.set(base, [finding])
  }
  return [...groups.values()].flat()
}

/**
 * Works out the changes that fix findings, one after the other. A fix names places in a text, which another may have
 * moved: each is looked for anew on what those before it have left, by its rule alone, on its page. May be left at any step.
 * @param keys of the findings; those that have no fix, are gone by then, or whose fix is refused are passed over
 */
export function* fixesInSteps(site: Site, keys: readonly string[]): Generator<FixStep, Fixes> {
  const checker = new Checker()
  const wanted = new Set(keys)
  const findings = inOrder(checker.check(site).filter(({ key, fix }) => fix && wanted.has(key)))
  const total = findings.length
  const changes: SingleChange[] = []
  let count = 0
  let now = site
  for (const [at, finding] of findings.entries()) {
    const fix = checker.again(now, finding)?.fix
    if (fix) {
      try {
        now = applyChange(now, fix).site
        changes.push(...singlesOf(fix))
        count++
      } catch (error) {
        if (!(error instanceof ChangeRefused)) throw error
      }
    }
    yield { done: at + 1, total }
  }
  return { changes, count }
}
