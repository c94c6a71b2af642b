import type { Branch } from '@viatica/core/plan/branch.ts'
import { type EntryId, type EntryKind, labelOf } from '@viatica/core/plan/entry.ts'
import { newGroup, newLink, newPage } from '@viatica/core/plan/newEntry.ts'
import { childrenOf, entryOf, placeOf, walk } from '@viatica/core/plan/plan.ts'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { useChosen } from './chosen.ts'
import { useOpenSite } from './openSite.ts'

export type Direction = 'up' | 'down' | 'in' | 'out'

/** Where an entry is dropped, as seen from the entry it is dropped on. */
export type DropPlace = 'before' | 'after' | 'under'

/** Where an entry would go; undefined when it cannot go there. */
type Destination = { parent: EntryId; place: number } | undefined

function newBranch(kind: EntryKind, id: EntryId, name: string, home: EntryId): Branch {
  if (kind === 'page') return { ...newPage(id, name), entries: [] }
  if (kind === 'group') return { ...newGroup(id, name), entries: [] }
  return { ...newLink(id, name, { to: 'entry', entry: home, fragment: '' }), entries: [] }
}

/** What can be done to the chosen entry in the hierarchy; the same for keys, buttons, menu and drag. */
export const useShaping = defineStore('shaping', () => {
  const openSite = useOpenSite()
  const chosen = useChosen()

  const plan = computed(() => openSite.site!.plan)
  const isHome = computed(() => chosen.id === plan.value.home)

  /** The labels of the entries that would go with the chosen one, while the author is asked. */
  const goingToo = shallowRef<readonly string[]>([])

  function destination(direction: Direction): Destination {
    const parent = plan.value.parents.get(chosen.id)
    if (parent === undefined) return undefined
    const siblings = childrenOf(plan.value, parent)
    const place = placeOf(plan.value, chosen.id)
    if (direction === 'up') return place > 0 ? { parent, place: place - 1 } : undefined
    if (direction === 'down') return place < siblings.length - 1 ? { parent, place: place + 1 } : undefined
    if (direction === 'out') {
      const above = plan.value.parents.get(parent)
      return above === undefined ? undefined : { parent: above, place: placeOf(plan.value, parent) + 1 }
    }
    const before = siblings.slice(0, place).findLast((id) => entryOf(plan.value, id).kind !== 'link')
    return before === undefined ? undefined : { parent: before, place: childrenOf(plan.value, before).length }
  }

  const canMove = computed(() => ({
    up: destination('up') !== undefined,
    down: destination('down') !== undefined,
    in: destination('in') !== undefined,
    out: destination('out') !== undefined,
  }))

  function move(direction: Direction): void {
    const to = destination(direction)
    if (!to) return
    openSite.makeOrTell({ kind: 'move', entry: chosen.id, ...to })
    chosen.choose(chosen.id)
  }

  /** Moves an entry before, after or under another; `place` counts without the entry itself. */
  function moveTo(id: EntryId, target: EntryId, how: DropPlace): void {
    const parent = how === 'under' ? target : plan.value.parents.get(target)
    if (parent === undefined) return
    const siblings = childrenOf(plan.value, parent).filter((sibling) => sibling !== id)
    const place = how === 'under' ? siblings.length : siblings.indexOf(target) + (how === 'after' ? 1 : 0)
    if (openSite.makeOrTell({ kind: 'move', entry: id, parent, place })) chosen.choose(id)
  }

  /** Begins a new entry after the chosen one, or under it; it is added when it has a name. */
  function begin(kind: EntryKind, where: 'beside' | 'beneath'): void {
    const parent = plan.value.parents.get(chosen.id)
    const beneath = where === 'beneath' || parent === undefined
    if (beneath && chosen.entry?.kind === 'link')
      return void (openSite.notice = 'Nothing can stand under a link.')
    if (beneath) chosen.fold(chosen.id, false)
    chosen.draft = beneath
      ? { kind, parent: chosen.id, place: childrenOf(plan.value, chosen.id).length }
      : { kind, parent, place: placeOf(plan.value, chosen.id) + 1 }
  }

  /** Adds the entry that was begun, under the name that was typed; without a name, lets it be. */
  function finish(name: string): void {
    const { draft } = chosen
    chosen.draft = undefined
    if (!draft || name.trim() === '') return
    const id = crypto.randomUUID()
    const { kind, parent, place } = draft
    const branch = newBranch(kind, id, name.trim(), plan.value.home)
    if (openSite.makeOrTell({ kind: 'add', parent, place, branches: [branch] })) chosen.choose(id)
  }

  function rename(name: string): void {
    const { entry } = chosen
    chosen.renaming = ''
    if (!entry || name.trim() === '' || name.trim() === (entry.kind === 'page' ? entry.title : entry.label))
      return
    const field = entry.kind === 'page' ? 'title' : 'label'
    openSite.makeOrTell({ kind: 'setEntry', entry: entry.id, field, value: name })
  }

  function removeNow(): void {
    const next = chosen.neighbour()
    goingToo.value = []
    if (openSite.makeOrTell({ kind: 'remove', entries: [chosen.id] })) chosen.choose(next)
  }

  /** Removes the chosen entry; when others would go with it, names them and asks first (see RemoveDialog). */
  function remove(): void {
    if (isHome.value)
      return void (openSite.notice = 'The home page is the root of the plan: it cannot be removed.')
    goingToo.value = [...walk(plan.value, chosen.id)].slice(1).map(({ entry }) => labelOf(entry))
    if (goingToo.value.length === 0) removeNow()
  }

  function keep(): void {
    goingToo.value = []
  }

  return { isHome, canMove, goingToo, move, moveTo, begin, finish, rename, remove, removeNow, keep }
})
