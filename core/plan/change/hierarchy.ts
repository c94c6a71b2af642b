import { valueFor } from '../../standard/present.ts'
import { branchOf, entriesOfBranch } from '../branch.ts'
import { type Entry, labelOf } from '../entry.ts'
import type { EntryId } from '../ids.ts'
import {
  ancestorsOf,
  childrenOf,
  entryOf,
  isWithin,
  levelsUnder,
  MAX_ENTRIES,
  MAX_LEVELS,
  type Plan,
  placeOf,
  walk,
} from '../plan.ts'
import { withGone, withoutGone } from '../gone.ts'
import type { Site } from '../site.ts'
import type { Add, Change, Move, Remove, SingleChange } from './change.ts'
import { type Own, ownCopy } from './own.ts'
import { ChangeRefused } from './refused.ts'

/** A plan after a change, with the change that takes it back. */
export interface Rearranged {
  readonly plan: Plan
  readonly inverse: Change
}

/** The same, with what is remembered of removed pages. */
interface Resettled extends Rearranged {
  readonly gone: Site['gone']
}

const pointersTo = (ids: readonly EntryId[]): string[] => ids.map((id) => `entry:${id}`)

type ChildLists = Map<EntryId, readonly EntryId[]>

function setChildren(lists: ChildLists, parent: EntryId, children: readonly EntryId[]): void {
  if (children.length > 0) lists.set(parent, children)
  else lists.delete(parent)
}

function checkParent(plan: Plan, parent: EntryId): void {
  const entry = plan.entries.get(parent)
  if (!entry) throw new ChangeRefused('The entry that this should stand under is no longer in the plan.')
  if (entry.kind === 'link')
    throw new ChangeRefused(`“${labelOf(entry)}” is a link: nothing can stand under it.`)
}

function checkKnown(plan: Plan, id: EntryId): void {
  if (!plan.entries.has(id)) throw new ChangeRefused('This entry is no longer in the plan.')
  if (id === plan.home)
    throw new ChangeRefused('The home page is the root of the plan: it can be neither moved nor removed.')
}

function checkLevels(plan: Plan, parent: EntryId, levels: number): void {
  if (ancestorsOf(plan, parent).length + 1 + levels > MAX_LEVELS) {
    throw new ChangeRefused(`A plan can have at most ${MAX_LEVELS} levels.`)
  }
}

function checkBanner({ files }: Site, entry: Entry): void {
  if (entry.kind === 'page' && entry.banner && !files.has(entry.banner.file))
    throw new ChangeRefused(
      `The banner picture of “${labelOf(entry)}” is no longer among the files of the site.`,
    )
}

/** Adds branches. @throws ChangeRefused when the parent cannot take them or one of their ids is in use. */
export function addBranches(site: Site, { parent, place, branches }: Add, own: Own): Resettled {
  const { plan } = site
  checkParent(plan, parent)
  const siblings = childrenOf(plan, parent)
  const entries = ownCopy(plan.entries, own)
  const parents = ownCopy(plan.parents, own)
  const children = ownCopy(plan.children, own)
  let levels = 0
  const added: EntryId[] = []
  for (const branch of branches) {
    for (const placed of entriesOfBranch(branch, parent)) {
      const id = placed.entry.id
      if (entries.has(id)) throw new ChangeRefused(`The plan already has an entry with the id ${id}.`)
      checkBanner(site, placed.entry)
      entries.set(id, placed.entry)
      added.push(id)
      parents.set(id, placed.parent!)
      setChildren(children, id, placed.children)
      levels = Math.max(levels, placed.level)
    }
  }
  if (entries.size > MAX_ENTRIES) throw new ChangeRefused(`A plan can have at most ${MAX_ENTRIES} entries.`)
  checkLevels(plan, parent, levels)
  const ids = branches.map((branch) => branch.id)
  setChildren(children, parent, [...siblings.slice(0, place), ...ids, ...siblings.slice(place)])
  const { gone, forgotten } = withoutGone(site.gone, pointersTo(added))
  return {
    plan: { ...plan, entries, parents, children },
    gone,
    inverse: { kind: 'remove', entries: ids, ...(forgotten.length === 0 ? {} : { gone: forgotten }) },
  }
}

/** What puts removed entries back: for each run of siblings that stood side by side, one change. */
function puttingBack(plan: Plan, gone: ReadonlySet<EntryId>): SingleChange[] {
  const back: SingleChange[] = []
  for (const parent of new Set([...gone].map((id) => valueFor(plan.parents, id)))) {
    const siblings = childrenOf(plan, parent)
    for (let place = 0; place < siblings.length; place++) {
      const first = place
      while (place < siblings.length && gone.has(siblings[place]!)) place++
      if (place === first) continue
      const branches = siblings.slice(first, place).map((id) => branchOf(plan, id))
      back.push({ kind: 'add', parent, place: first, branches })
    }
  }
  return back
}

/** Removes entries, each with all under it. @throws ChangeRefused for the home page or an unknown entry. */
export function removeBranches(site: Site, { entries: ids, gone: told }: Remove, own: Own): Resettled {
  const { plan } = site
  for (const id of ids) checkKnown(plan, id)
  const named = new Set(ids)
  // What stands under another of them goes with it.
  const gone = new Set(ids.filter((id) => !ancestorsOf(plan, id).some((ancestor) => named.has(ancestor))))
  const inverse: Change = { kind: 'batch', changes: puttingBack(plan, gone) }
  const lost = [...gone].flatMap((id) => [...walk(plan, id)].map(({ entry }) => entry.id))
  const entries = ownCopy(plan.entries, own)
  const parents = ownCopy(plan.parents, own)
  const children = ownCopy(plan.children, own)
  for (const parent of new Set([...gone].map((id) => valueFor(plan.parents, id)))) {
    setChildren(
      children,
      parent,
      childrenOf(plan, parent).filter((id) => !gone.has(id)),
    )
  }
  for (const id of lost) {
    entries.delete(id)
    parents.delete(id)
    children.delete(id)
  }
  const pointers = new Set(pointersTo(lost))
  const remembered = withGone(
    site.gone,
    (told ?? []).filter(({ to }) => pointers.has(to)),
  )
  return { plan: { ...plan, entries, parents, children }, gone: remembered, inverse }
}

/** Moves an entry with all under it. @throws ChangeRefused for a move under itself, under a link or too deep. */
export function moveBranch(plan: Plan, { entry: id, parent, place }: Move, own: Own): Rearranged {
  checkKnown(plan, id)
  checkParent(plan, parent)
  const label = labelOf(entryOf(plan, id))
  if (isWithin(plan, parent, id)) throw new ChangeRefused(`“${label}” cannot be moved under itself.`)
  checkLevels(plan, parent, levelsUnder(plan, id))
  const oldParent = valueFor(plan.parents, id)
  const oldPlace = placeOf(plan, id)
  const siblings = childrenOf(plan, oldParent).toSpliced(oldPlace, 1)
  const children = ownCopy(plan.children, own)
  setChildren(children, oldParent, siblings)
  setChildren(children, parent, (children.get(parent) ?? []).toSpliced(place, 0, id))
  const parents = ownCopy(plan.parents, own).set(id, parent)
  return {
    plan: { ...plan, parents, children },
    inverse: { kind: 'move', entry: id, parent: oldParent, place: oldPlace },
  }
}
