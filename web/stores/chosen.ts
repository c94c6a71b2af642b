import { type EntryId, type EntryKind } from '@viatica/core/plan/entry.ts'
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

function rowsOf(plan: Plan, folded: ReadonlySet<EntryId>): OutlineRow[] {
  const rows: OutlineRow[] = []
  const visit = (id: EntryId, level: number, place: number, siblings: number) => {
    const children = childrenOf(plan, id)
    const isOpen = !folded.has(id)
    rows.push({ id, level, hasChildren: children.length > 0, isOpen, place, siblings })
    if (isOpen) children.forEach((child, at) => visit(child, level + 1, at, children.length))
  }
  visit(plan.home, 1, 0, 1)
  return rows
}

/** Which entry is chosen, on whichever stop, and how the outline is folded. */
export const useChosen = defineStore('chosen', () => {
  const openSite = useOpenSite()
  const wanted = ref<EntryId>('')
  const folded = shallowRef<ReadonlySet<EntryId>>(new Set())
  const draft = shallowRef<Draft>()
  const renaming = ref<EntryId>('')

  const plan = computed(() => openSite.site?.plan)

  /** The chosen entry; the home page when the one that was chosen is gone. */
  const id = computed<EntryId>(() =>
    plan.value?.entries.has(wanted.value) ? wanted.value : (plan.value?.home ?? ''),
  )
  const entry = computed(() => (plan.value && id.value ? entryOf(plan.value, id.value) : undefined))
  const rows = computed(() => (plan.value ? rowsOf(plan.value, folded.value) : []))

  watch(
    () => openSite.id,
    () => {
      wanted.value = renaming.value = ''
      folded.value = new Set()
      draft.value = undefined
    },
  )

  function choose(next: EntryId): void {
    wanted.value = next
    const hidden = plan.value
      ? ancestorsOf(plan.value, next).filter((ancestor) => folded.value.has(ancestor))
      : []
    if (hidden.length > 0) folded.value = new Set([...folded.value].filter((fold) => !hidden.includes(fold)))
  }

  function fold(row: EntryId, isFolded: boolean): void {
    const next = new Set(folded.value)
    if (isFolded) next.add(row)
    else next.delete(row)
    folded.value = next
  }

  /** What to choose when the chosen entry is about to go: its next sibling, else the one before, else its parent. */
  function neighbour(): EntryId {
    const parent = plan.value!.parents.get(id.value)
    if (parent === undefined) return id.value
    const siblings = childrenOf(plan.value!, parent)
    const place = placeOf(plan.value!, id.value)
    return siblings[place + 1] ?? siblings[place - 1] ?? parent
  }

  return { id, entry, rows, draft, renaming, choose, fold, neighbour }
})
