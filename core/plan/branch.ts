import * as v from 'valibot'
import { type Entry, groupSchema, linkSchema, pageSchema } from './entry.ts'
import type { EntryId } from './ids.ts'
import { listOf } from '../standard/list.ts'
import { childrenOf, entryOf, MAX_ENTRIES, type Plan } from './plan.ts'

/** An entry with all that stands under it: what is added, what was removed, and what a site file holds. */
export type Branch = Entry & { readonly entries: readonly Branch[] }

const entries = {
  entries: v.optional(
    listOf(
      v.lazy((): v.GenericSchema<unknown, Branch> => branchSchema),
      MAX_ENTRIES,
    ),
    [],
  ),
}

/**
 * A branch as it comes in from outside. It calls itself for each level, so the levels of unknown input are
 * counted first (see formats/siteFile.ts).
 */
export const branchSchema: v.GenericSchema<unknown, Branch> = v.variant('kind', [
  v.strictObject({ ...pageSchema.entries, ...entries }),
  v.strictObject({ ...groupSchema.entries, ...entries }),
  v.strictObject({
    ...linkSchema.entries,
    entries: v.optional(
      v.pipe(v.array(v.unknown()), v.maxLength(0, 'a link cannot have entries under it')),
      [],
    ),
  }),
]) as v.GenericSchema<unknown, Branch>

/** The branch that starts at an entry of a plan. */
export function branchOf(plan: Plan, id: EntryId): Branch {
  return { ...entryOf(plan, id), entries: childrenOf(plan, id).map((child) => branchOf(plan, child)) }
}

/** A branch to be written as JSON: it lays each entry out only when its turn comes. */
export interface BranchForJson {
  toJSON(): object
}

/**
 * Returns the branch that starts at an entry, to be written as JSON. Nothing is laid out before, so that the writing of a
 * large plan can pause between two entries.
 * @param layOut gives the object of an entry, from the entry and those below it
 */
export function branchForJson(
  plan: Plan,
  id: EntryId,
  layOut: (entry: Entry, entries: readonly BranchForJson[]) => object,
): BranchForJson {
  return {
    toJSON: () =>
      layOut(
        entryOf(plan, id),
        childrenOf(plan, id).map((child) => branchForJson(plan, child, layOut)),
      ),
  }
}

export interface Placed {
  readonly entry: Entry
  readonly parent: EntryId | undefined
  readonly children: readonly EntryId[]
  /** 1 for the top of the branch. */
  readonly level: number
}

/** The entries of a branch one by one in plan order, each without those under it. */
export function* entriesOfBranch(branch: Branch, parent?: EntryId, level = 1): Generator<Placed> {
  const { entries: under, ...entry } = branch
  yield { entry, parent, level, children: under.map((child) => child.id) }
  for (const child of under) yield* entriesOfBranch(child, branch.id, level + 1)
}

/** The plan whose home page is the top of this branch. The branch must be sound: a page, no id twice. */
export function planOfBranch(branch: Branch): Plan {
  const entries = new Map<EntryId, Entry>()
  const parents = new Map<EntryId, EntryId>()
  const children = new Map<EntryId, readonly EntryId[]>()
  for (const placed of entriesOfBranch(branch)) {
    entries.set(placed.entry.id, placed.entry)
    if (placed.parent !== undefined) parents.set(placed.entry.id, placed.parent)
    if (placed.children.length > 0) children.set(placed.entry.id, placed.children)
  }
  return { home: branch.id, entries, parents, children }
}
