import { type Branch, branchOf, entriesOfBranch } from '../plan/branch.ts'
import type { Batch, Change, SingleChange } from '../plan/change/change.ts'
import { labelOf, type LinkTarget, type PageState } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { ancestorsOf, childrenOf, entryOf, type Plan, placeOf, walk } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import type { Gone } from '../plan/gone.ts'
import { addressesOf } from '../address/addresses.ts'
import { withHtmlReferences } from '../pointer/inHtml.ts'
import { entryPointer, type Pointer, readPointer, writePointer } from '../pointer/pointer.ts'
import { valueFor } from '../standard/present.ts'

/** Several entries as one batch, with words for the whole. */
function batch(words: string, changes: readonly SingleChange[]): Batch {
  return { kind: 'batch', words, changes }
}

/** “Locks”, or 3 entries. */
function named(plan: Plan, ids: readonly EntryId[]): string {
  return ids.length === 1 ? `“${labelOf(entryOf(plan, ids[0]!))}”` : `${ids.length} entries`
}

/** The entries that move by themselves, in plan order: not the home page, and not what stands under another of them. */
export function topmost(plan: Plan, ids: Iterable<EntryId>): EntryId[] {
  const wanted = new Set(ids)
  const kept = new Set<EntryId>()
  for (const id of wanted)
    if (
      id !== plan.home &&
      plan.entries.has(id) &&
      !ancestorsOf(plan, id).some((ancestor) => ancestor !== plan.home && wanted.has(ancestor))
    )
      kept.add(id)
  // One alone, as mostly, is in order.
  if (kept.size < 2) return [...kept]
  return [...walk(plan)].flatMap(({ entry: { id } }) => (kept.has(id) ? [id] : []))
}

/**
 * Moves entries side by side under `parent`, to stand before the sibling `before`; at the end without one.
 * Undefined when there is nothing to move.
 */
export function moveAll(
  plan: Plan,
  ids: readonly EntryId[],
  parent: EntryId,
  before: EntryId | undefined,
): Change | undefined {
  const moving = topmost(plan, ids)
  if (moving.length === 0) return undefined
  const inside = new Set(moving)
  const siblings = [...childrenOf(plan, parent)]
  // What it should stand before may be moving itself: then before the next one that stays.
  let next = before === undefined ? siblings.length : siblings.indexOf(before)
  while (next < siblings.length && inside.has(siblings[next]!)) next++
  const anchor = siblings[next]
  const changes: SingleChange[] = []
  // The place of a move counts the siblings without the entry itself, those still waiting to be moved included.
  for (const entry of moving) {
    if (siblings.includes(entry)) siblings.splice(siblings.indexOf(entry), 1)
    const place = anchor === undefined ? siblings.length : siblings.indexOf(anchor)
    changes.push({ kind: 'move', entry, parent, place })
    siblings.splice(place, 0, entry)
  }
  const where = `moved under “${labelOf(entryOf(plan, parent))}”`
  return changes.length === 1 ? changes[0] : batch(`${named(plan, moving)} ${where}`, changes)
}

/** Sets the state of all pages among some entries. Undefined when no page differs. */
export function setStateOfAll(plan: Plan, ids: readonly EntryId[], state: PageState): Change | undefined {
  const changes = ids.flatMap((id): SingleChange[] => {
    const entry = entryOf(plan, id)
    if (entry.kind !== 'page' || entry.state === state || (id === plan.home && state === 'planned')) return []
    return [{ kind: 'setEntry', entry: id, field: 'state', value: state }]
  })
  if (changes.length === 0) return undefined
  return changes.length === 1 ? changes[0] : batch(`${changes.length} pages are now ${state}`, changes)
}

/** Puts entries into menus or the reading order, or takes them out. Undefined when none differs. */
export function standAll(
  plan: Plan,
  ids: readonly EntryId[],
  field: 'inMenu' | 'inOrder',
  value: boolean,
): Change | undefined {
  const changes = ids.flatMap((id): SingleChange[] => {
    const entry = entryOf(plan, id)
    if (field === 'inMenu')
      return entry.inMenu === value ? [] : [{ kind: 'setEntry', entry: id, field, value }]
    if (entry.kind !== 'page' || entry.inOrder === value) return []
    return [{ kind: 'setEntry', entry: id, field, value }]
  })
  if (changes.length === 0) return undefined
  const place = field === 'inMenu' ? 'menus' : 'the reading order'
  return changes.length === 1
    ? changes[0]
    : batch(`${changes.length} entries ${value ? 'put into' : 'left out of'} ${place}`, changes)
}

/** What becomes of the entries under those that are removed. */
export type UnderRemoved = 'go-too' | 'move-up'

/** What is to be remembered of pages that go. */
function lastPaths(site: Site, ids: readonly EntryId[]): Gone[] {
  const { paths } = addressesOf(site)
  return ids.flatMap((id) => {
    const path = paths.get(id)
    return path === undefined ? [] : [{ to: entryPointer(id), path, label: labelOf(entryOf(site.plan, id)) }]
  })
}

/** Removes entries; what is under them goes too, or moves up to stand where they stood. */
export function removeAll(site: Site, ids: readonly EntryId[], under: UnderRemoved): Change | undefined {
  const { plan } = site
  if (under === 'go-too') {
    const going = topmost(plan, ids)
    const all = going.flatMap((id) => [...walk(plan, id)].map(({ entry }) => entry.id))
    return going.length === 0 ? undefined : { kind: 'remove', entries: going, gone: lastPaths(site, all) }
  }
  const going = ids.filter((id) => id !== plan.home)
  if (going.length === 0) return undefined
  const gone = new Set(going)
  const changes: SingleChange[] = []
  // From the bottom up, so that what moves up out of one removed entry moves on out of the next.
  const deepestFirst = [...walk(plan)].filter(({ entry }) => gone.has(entry.id)).reverse()
  const children = new Map<EntryId, EntryId[]>()
  const listOf = (id: EntryId): EntryId[] => {
    if (!children.has(id)) children.set(id, [...childrenOf(plan, id)])
    return valueFor(children, id)
  }
  for (const { entry } of deepestFirst) {
    const parent = valueFor(plan.parents, entry.id)
    const siblings = listOf(parent)
    const moving = listOf(entry.id)
    moving.forEach((child, at) => {
      changes.push({ kind: 'move', entry: child, parent, place: siblings.indexOf(entry.id) + 1 + at })
    })
    siblings.splice(siblings.indexOf(entry.id), 1, ...moving)
  }
  changes.push({ kind: 'remove', entries: going, gone: lastPaths(site, going) })
  return batch(
    `${named(plan, going)} removed, what was under ${going.length === 1 ? 'it' : 'them'} moved up`,
    changes,
  )
}

/** By what the entries under a page are sorted. */
export type SortKey = 'title' | 'file name'

/** Sorts what stands right under an entry, once. Undefined when it stands in that order already. */
export function sortUnder(
  site: Site,
  parent: EntryId,
  key: SortKey,
  names: ReadonlyMap<EntryId, string>,
): Change | undefined {
  const { plan, settings } = site
  const collator = new Intl.Collator(settings.language, { numeric: true })
  const keyOf = (id: EntryId) => {
    const entry = entryOf(plan, id)
    if (key === 'file name') return names.get(id) ?? labelOf(entry)
    return entry.kind === 'page' ? entry.title : entry.label
  }
  const now = [...childrenOf(plan, parent)]
  const sorted = [...now].sort((a, b) => collator.compare(keyOf(a), keyOf(b)))
  const changes: SingleChange[] = []
  sorted.forEach((id, place) => {
    if (now[place] === id) return
    now.splice(now.indexOf(id), 1)
    now.splice(place, 0, id)
    changes.push({ kind: 'move', entry: id, parent, place })
  })
  if (changes.length === 0) return undefined
  return batch(`What is under “${labelOf(entryOf(plan, parent))}” sorted by ${key}`, changes)
}

/** Where links lead whose target is not copied: nowhere. */
const LEFT_BEHIND: Pointer = { to: 'entry', id: 'left-behind', query: '', fragment: '' }

/** Main content whose pointers lead elsewhere. */
const withPointers = (html: string, becomes: (pointer: Pointer) => Pointer): string =>
  withHtmlReferences(html, (url) => {
    const pointer = readPointer(url)
    const next = pointer && becomes(pointer)
    return next === pointer ? undefined : writePointer(next!)
  })

/** How a copy is made. */
export interface CopyRule {
  /** The copy's title or label: it must not keep the same one unseen. */
  readonly title: string
  readonly withUnder: boolean
  readonly withBody: boolean
  /** Gives the ids of the new entries. */
  readonly newId: () => EntryId
}

/** The target of a link that is copied: what was copied with it is meant. */
function targetIn(target: LinkTarget, ids: ReadonlyMap<EntryId, EntryId>): LinkTarget {
  const copied = target.to === 'entry' ? ids.get(target.entry) : undefined
  return target.to === 'entry' && copied !== undefined ? { ...target, entry: copied } : target
}

function copyOf(branch: Branch, rule: CopyRule, isTop: boolean, ids: ReadonlyMap<EntryId, EntryId>): Branch {
  const id = valueFor(ids, branch.id)
  const entries =
    rule.withUnder || !isTop ? branch.entries.map((under) => copyOf(under, rule, false, ids)) : []
  const label = isTop ? rule.title : branch.label
  if (branch.kind === 'group') return { ...branch, id, label, entries }
  if (branch.kind === 'link') return { ...branch, id, label, target: targetIn(branch.target, ids), entries }
  const named = isTop ? { title: rule.title, label: '', fileName: '', heading: '', description: '' } : {}
  // Links between pages that are copied together lead to the copies.
  const html = withPointers(branch.body.html, (pointer) => {
    const copied = pointer.to === 'entry' ? ids.get(pointer.id) : undefined
    return copied === undefined ? pointer : { ...pointer, id: copied }
  })
  const body = rule.withBody ? { ...branch.body, html } : { html: '', changed: '' }
  // A copy was never given out, and nobody has looked at it yet.
  return {
    ...branch,
    ...named,
    id,
    body,
    pin: null,
    seen: null,
    state: branch.state === 'ready' ? 'draft' : branch.state,
    entries,
  }
}

/** A copy of an entry with new ids, ready to be added anywhere. */
export function copyBranch(plan: Plan, id: EntryId, rule: CopyRule): Branch {
  const branch = branchOf(plan, id)
  const copied = rule.withUnder ? [...entriesOfBranch(branch)].map(({ entry }) => entry.id) : [id]
  return copyOf(branch, rule, true, new Map(copied.map((old) => [old, rule.newId()])))
}

/** A copy as it can stand in another site, which has neither the files nor the pages that it points to. */
export function forAnotherSite(branch: Branch, home: EntryId): Branch {
  const own = new Set([...entriesOfBranch(branch)].map(({ entry }) => entry.id))
  const adapt = (at: Branch): Branch => {
    const entries = at.entries.map(adapt)
    if (at.kind === 'link') {
      const isLost = at.target.to === 'file' || (at.target.to === 'entry' && !own.has(at.target.entry))
      return { ...at, target: isLost ? { to: 'entry', entry: home, fragment: '' } : at.target, entries }
    }
    if (at.kind === 'group') return { ...at, entries }
    // Ids mean nothing elsewhere, and might by chance name something there: such links are left without a target.
    const html = withPointers(at.body.html, (pointer) =>
      pointer.to === 'entry' && own.has(pointer.id) ? pointer : LEFT_BEHIND,
    )
    return { ...at, banner: null, body: { ...at.body, html }, entries }
  }
  return adapt(branch)
}

/** Where a single step up, down, in or out takes some entries that stand side by side; undefined when it cannot. */
export function stepOf(
  plan: Plan,
  ids: readonly EntryId[],
  direction: 'up' | 'down' | 'in' | 'out',
): { readonly parent: EntryId; readonly before: EntryId | undefined } | undefined {
  const moving = topmost(plan, ids)
  const first = moving[0]
  const parent = first === undefined ? undefined : plan.parents.get(first)
  if (first === undefined || parent === undefined) return undefined
  const siblings = childrenOf(plan, parent)
  const inside = new Set(moving)
  const place = placeOf(plan, first)
  if (direction === 'up') {
    const above = siblings.slice(0, place).findLast((id) => !inside.has(id))
    return above === undefined ? undefined : { parent, before: above }
  }
  if (direction === 'down') {
    const last = Math.max(...moving.map((id) => siblings.indexOf(id)))
    const rest = siblings.slice(last + 1).filter((id) => !inside.has(id))
    return rest.length === 0 ? undefined : { parent, before: rest[1] }
  }
  if (direction === 'out') {
    const above = plan.parents.get(parent)
    if (above === undefined) return undefined
    return { parent: above, before: childrenOf(plan, above)[placeOf(plan, parent) + 1] }
  }
  const into = siblings.slice(0, place).findLast((id) => !inside.has(id) && entryOf(plan, id).kind !== 'link')
  return into === undefined ? undefined : { parent: into, before: undefined }
}
