import type { Branch } from '../../plan/branch.ts'
import type { PageEntry } from '../../plan/entry.ts'
import type { EntryId } from '../../plan/ids.ts'
import { childrenOf, entryOf } from '../../plan/plan.ts'
import type { Site } from '../../plan/site.ts'
import { valueFor } from '../../standard/present.ts'
import type { Brought } from '../bring.ts'

/** How pages are added to an existing site. */
export interface Joining {
  /** The parent of pages that do not show where they belong. */
  readonly parent: EntryId
  /** Whether it is the parent of all of them. */
  readonly isChosen: boolean
  /** Whether menus show them. */
  readonly inMenu: boolean
  /** Whether differences from their template are removed. */
  readonly inLine: boolean
}

/** A new branch, and where it comes when those before it are there. */
export interface PlacedBranch {
  readonly parent: EntryId
  readonly place: number
  readonly branch: Branch
}

/**
 * Where new pages stand in the plan of a site: beside the pages that they name, in that order. A page that does not
 * say where it belongs, and everything where their author chose, stands under the entry that was chosen.
 * @param entries the new pages, by id
 */
export function placesFor(
  site: Site,
  { site: { plan }, placings, ids }: Brought,
  entries: ReadonlyMap<EntryId, PageEntry>,
  { parent: chosen, isChosen }: Pick<Joining, 'parent' | 'isChosen'>,
): readonly PlacedBranch[] {
  const paths = new Map([...ids].map(([path, id]) => [id, path]))
  const isPlaced = (id: EntryId) => placings.get(valueFor(paths, id))?.evidence !== 'none'
  const isThere = (id: EntryId) => site.plan.entries.has(id)
  /** Of each parent in the site, what stands under it once all is there. */
  const siblings = new Map<EntryId, EntryId[]>()
  const placed: PlacedBranch[] = []
  /** @param after what it comes after, before what else it stands; at the end where neither is under the parent */
  const put = (parent: EntryId, branch: Branch, after?: EntryId, before?: EntryId) => {
    const all = siblings.get(parent) ?? [...childrenOf(site.plan, parent)]
    siblings.set(parent, all)
    const [behind, ahead] = [after, before].map((id) => (id === undefined ? -1 : all.indexOf(id))) as [
      number,
      number,
    ]
    const place = behind >= 0 ? behind + 1 : ahead >= 0 ? ahead : all.length
    all.splice(place, 0, branch.id)
    placed.push({ parent, place, branch })
  }

  /** A new page with the new pages that stand under it. */
  const branchOf = (id: EntryId): Branch => ({ ...valueFor(entries, id), entries: [...branchesUnder(id)] })

  function* branchesUnder(id: EntryId): Generator<Branch> {
    for (const child of childrenOf(plan, id)) {
      const entry = entryOf(plan, child)
      if (entries.has(child)) {
        if (isPlaced(child)) yield branchOf(child)
        else put(chosen, branchOf(child))
      } else if (isThere(child)) walk(child, child)
      else if (entry.kind === 'group') {
        const under = [...branchesUnder(child)]
        if (under.length > 0) yield { ...entry, entries: under }
      }
    }
  }

  /** Puts a branch where the pages beside it say. */
  function putBeside(parent: EntryId, branch: Branch, beside: readonly EntryId[], at: number): void {
    if (isChosen) return put(chosen, branch)
    const isUnder = (id: EntryId) =>
      siblings.get(parent)?.includes(id) ?? site.plan.parents.get(id) === parent
    put(parent, branch, beside.slice(0, at).findLast(isUnder), beside.slice(at + 1).find(isUnder))
  }

  /** @param parent what stands in the site in the place of the entry */
  function walk(id: EntryId, parent: EntryId): void {
    const beside = childrenOf(plan, id)
    for (const [at, child] of beside.entries()) {
      const entry = entryOf(plan, child)
      if (entries.has(child)) {
        if (isPlaced(child)) putBeside(parent, branchOf(child), beside, at)
        else put(chosen, branchOf(child))
      } else if (isThere(child)) walk(child, child)
      else if (entry.kind === 'group') {
        // The group of the site in which the pages beside it stand.
        const inIt = childrenOf(plan, child).find(isThere)
        const there = inIt === undefined ? undefined : site.plan.parents.get(inIt)
        if (there !== undefined) walk(child, there)
        else {
          const under = [...branchesUnder(child)]
          if (under.length > 0) putBeside(parent, { ...entry, entries: under }, beside, at)
        }
      }
    }
  }

  const { home } = plan
  if (entries.has(home)) put(chosen, branchOf(home))
  else walk(home, site.plan.home)
  return placed
}
