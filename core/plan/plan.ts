import type { Entry, PageEntry } from './entry.ts'
import type { EntryId } from './ids.ts'

/**
 * The page hierarchy of one site. Plain data, never changed in place: a change makes a new plan that shares
 * with the old one all that it did not touch, so "is it the same object?" answers "did it change?".
 */
export interface Plan {
  readonly home: EntryId
  readonly entries: ReadonlyMap<EntryId, Entry>
  /** The parent of every entry but the home page. */
  readonly parents: ReadonlyMap<EntryId, EntryId>
  /** The entries right under each entry that has some, in their order. */
  readonly children: ReadonlyMap<EntryId, readonly EntryId[]>
}

/** How many levels a plan may have, the home page being the first. */
export const MAX_LEVELS = 24
/** How many entries a plan may have. */
export const MAX_ENTRIES = 20_000

const NONE: readonly EntryId[] = []

/** The ids right under an entry, in order; none for an entry without. */
export function childrenOf(plan: Plan, id: EntryId): readonly EntryId[] {
  return plan.children.get(id) ?? NONE
}

/** The entry with this id. @throws when the plan has none: use it only for ids that came from the plan. */
export function entryOf(plan: Plan, id: EntryId): Entry {
  const entry = plan.entries.get(id)
  if (!entry) throw new Error(`the plan has no entry ${id}`)
  return entry
}

/** The home page. */
export function homeOf(plan: Plan): PageEntry {
  return entryOf(plan, plan.home) as PageEntry
}

/** The ancestors of an entry from the home page down to its parent; none for the home page. */
export function ancestorsOf(plan: Plan, id: EntryId): EntryId[] {
  const ancestors: EntryId[] = []
  for (let up = plan.parents.get(id); up !== undefined; up = plan.parents.get(up)) ancestors.push(up)
  return ancestors.reverse()
}

/** Whether `id` is `ancestor` or stands somewhere under it. */
export function isWithin(plan: Plan, id: EntryId, ancestor: EntryId): boolean {
  for (let at: EntryId | undefined = id; at !== undefined; at = plan.parents.get(at)) {
    if (at === ancestor) return true
  }
  return false
}

/** The place of an entry among its siblings, from 0; 0 for the home page. */
export function placeOf(plan: Plan, id: EntryId): number {
  const parent = plan.parents.get(id)
  return parent === undefined ? 0 : childrenOf(plan, parent).indexOf(id)
}

export interface Visit {
  readonly entry: Entry
  /** 0 for the entry that the walk starts at. */
  readonly depth: number
}

/** Every entry at and under `start` in plan order: depth first, each before those under it. */
export function* walk(plan: Plan, start: EntryId = plan.home): Generator<Visit> {
  const waiting: { id: EntryId; depth: number }[] = [{ id: start, depth: 0 }]
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    yield { entry: entryOf(plan, next.id), depth: next.depth }
    const children = childrenOf(plan, next.id)
    for (let i = children.length - 1; i >= 0; i--) waiting.push({ id: children[i]!, depth: next.depth + 1 })
  }
}

/** How many levels stand at and under an entry: 1 for one without children. */
export function levelsUnder(plan: Plan, id: EntryId): number {
  let deepest = 0
  for (const { depth } of walk(plan, id)) deepest = Math.max(deepest, depth)
  return deepest + 1
}
