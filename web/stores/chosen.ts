import { type EntryKind } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { ancestorsOf, childrenOf, entryOf, type Plan, placeOf } from '@viatica/core/plan/plan.ts'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { useOpenSite } from './openSite.ts'

/** A row of the outline. */
export interface OutlineRow {
  readonly id: EntryId
  /** 1 for the home page. */
  readonly level: number
  readonly hasChildren: boolean
  readonly isOpen: boolean
  readonly place: number
  readonly siblings: number
}

/** An entry that is being named, before it is added. */
export interface Draft {
  readonly kind: EntryKind
  readonly parent: EntryId
  readonly place: number
}

function rowsOf(
  home: EntryId,
  childrenOfAll: Plan['children'],
  folded: ReadonlySet<EntryId>,
): readonly OutlineRow[] {
  const rows: OutlineRow[] = []
  const visit = (id: EntryId, level: number, place: number, siblings: number) => {
    const children = childrenOfAll.get(id) ?? []
    const isOpen = !folded.has(id)
    rows.push({ id, level, hasChildren: children.length > 0, isOpen, place, siblings })
    if (isOpen) children.forEach((child, at) => visit(child, level + 1, at, children.length))
  }
  visit(home, 1, 0, 1)
  return rows
}

/** Which entries are chosen, on whichever stop and in whichever view, and how the outline is folded. */
export const useChosen = defineStore('chosen', () => {
  const openSite = useOpenSite()
  /** The entry that everything follows and that holds the focus. */
  const lead = ref<EntryId>('')
  /** Where a range starts. */
  const anchor = ref<EntryId>('')
  const several = shallowRef<ReadonlySet<EntryId>>(new Set())
  const folded = shallowRef<ReadonlySet<EntryId>>(new Set())
  const draft = shallowRef<Draft>()
  const renaming = ref<EntryId>('')

  const plan = computed(() => openSite.site?.plan)

  /** The chosen entry; the home page when the one that was chosen is gone. */
  const id = computed<EntryId>(() =>
    plan.value?.entries.has(lead.value) ? lead.value : (plan.value?.home ?? ''),
  )
  const entry = computed(() => (plan.value && id.value ? entryOf(plan.value, id.value) : undefined))
  // They follow the hierarchy alone: an edit of what an entry says leaves them, and what is drawn from them, as they are.
  const hierarchy = computed(() => plan.value?.children)
  const home = computed(() => plan.value?.home)
  const rows = computed(() =>
    home.value !== undefined && hierarchy.value ? rowsOf(home.value, hierarchy.value, folded.value) : [],
  )
  /** All entries that are chosen: the lead alone, or several, which the lead may have moved away from. */
  const ids = computed<ReadonlySet<EntryId>>(() => {
    const there = [...several.value].filter((one) => plan.value?.entries.has(one))
    return new Set(there.length > 0 ? there : [id.value])
  })

  watch(
    () => openSite.id,
    () => {
      lead.value = renaming.value = anchor.value = ''
      several.value = folded.value = new Set()
      draft.value = undefined
    },
  )

  function unfoldTo(next: EntryId): void {
    const hidden = plan.value
      ? ancestorsOf(plan.value, next).filter((ancestor) => folded.value.has(ancestor))
      : []
    if (hidden.length > 0) folded.value = new Set([...folded.value].filter((fold) => !hidden.includes(fold)))
  }

  /** Chooses one entry and no other. */
  function choose(next: EntryId): void {
    lead.value = anchor.value = next
    several.value = new Set()
    unfoldTo(next)
  }

  /** Chooses several entries, and leads with one. */
  function chooseAll(all: Iterable<EntryId>, next: EntryId): void {
    several.value = new Set(all)
    lead.value = next
  }

  /** Leads with another entry, and lets those that are chosen be. */
  function lookAt(next: EntryId): void {
    chooseAll(ids.value, next)
    unfoldTo(next)
  }

  /** Chooses one more entry, or lets it go when it is chosen already. */
  function toggle(next: EntryId): void {
    const all = new Set(ids.value)
    if (all.has(next) && all.size > 1) all.delete(next)
    else all.add(next)
    anchor.value = next
    chooseAll(all, next)
  }

  /** Chooses every row of the outline from the one that was chosen alone to this one. */
  function chooseTo(next: EntryId): void {
    const order = rows.value.map((row) => row.id)
    const from = Math.max(order.indexOf(anchor.value || id.value), 0)
    const to = order.indexOf(next)
    chooseAll(order.slice(Math.min(from, to), Math.max(from, to) + 1), next)
  }

  function fold(row: EntryId, isFolded: boolean): void {
    const next = new Set(folded.value)
    if (isFolded) next.add(row)
    else next.delete(row)
    folded.value = next
  }

  /** What to choose when the chosen entries are about to go: the next sibling that stays, else one before, else the parent. */
  function neighbour(): EntryId {
    const parent = plan.value!.parents.get(id.value)
    if (parent === undefined) return id.value
    const siblings = childrenOf(plan.value!, parent)
    const place = placeOf(plan.value!, id.value)
    const stays = (one: EntryId) => one !== id.value && !ids.value.has(one)
    return siblings.slice(place).find(stays) ?? siblings.slice(0, place).findLast(stays) ?? parent
  }

  return {
    /** What was chosen last, though it may be gone. */
    wanted: computed(() => lead.value),
    id,
    ids,
    entry,
    rows,
    folded,
    draft,
    renaming,
    choose,
    chooseAll,
    chooseTo,
    lookAt,
    toggle,
    fold,
    neighbour,
  }
})
