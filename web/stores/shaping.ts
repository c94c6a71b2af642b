import { movesPublished } from '@viatica/core/address/moves.ts'
import { addressesOf } from '@viatica/core/address/addresses.ts'
import type { Branch } from '@viatica/core/plan/branch.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { changeWords } from '@viatica/core/plan/change/changeWords.ts'
import { type EntryKind, labelOf, type PageState } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { newGroup, newLink, newPage } from '@viatica/core/plan/newEntry.ts'
import { childrenOf, entryOf, placeOf } from '@viatica/core/plan/plan.ts'
import {
  moveAll,
  setStateOfAll,
  type SortKey,
  sortUnder,
  standAll,
  stepOf,
  topmost,
} from '@viatica/core/shape/shape.ts'
import { type RemovalChoice, removalWith } from '@viatica/core/shape/removal.ts'
import { otherKind } from '@viatica/core/shape/kind.ts'
import { overviewOf, siteMapPage } from '@viatica/core/shape/overview.ts'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { useChosen } from './chosen.ts'
import { useOpenSite } from './openSite.ts'
import { useRipple } from './ripple.ts'

export type Direction = 'up' | 'down' | 'in' | 'out'

/** Where entries are dropped, as seen from the entry they are dropped on. */
export type DropPlace = 'before' | 'after' | 'under'

/** A dialog that belongs to the chosen entries. */
export type ShapeDialog = 'remove' | 'move' | 'copy' | 'paste' | 'import'

function newBranch(kind: EntryKind, id: EntryId, name: string): Branch {
  if (kind === 'page') return { ...newPage(id, name), entries: [] }
  if (kind === 'group') return { ...newGroup(id, name), entries: [] }
  return { ...newLink(id, name, { to: 'address', url: '' }), entries: [] }
}

/** What can be done to the chosen entries in the hierarchy; the same for keys, buttons, menus and drag. */
export const useShaping = defineStore('shaping', () => {
  const openSite = useOpenSite()
  const chosen = useChosen()
  const ripple = useRipple()

  const plan = computed(() => openSite.shown.plan)
  const isHome = computed(() => chosen.id === plan.value.home)
  /** Those that can be moved and removed: not the home page, and not what goes along with another of them. */
  const movable = computed(() => topmost(plan.value, chosen.ids))

  /** The dialog that is open. */
  const dialog = ref<ShapeDialog>()
  /** What was in the clipboard when a paste was begun. */
  const pasted = ref('')

  const canMove = computed(() => {
    const can = (direction: Direction) => stepOf(plan.value, movable.value, direction) !== undefined
    return { up: can('up'), down: can('down'), in: can('in'), out: can('out') }
  })

  /**
   * Makes a move, after asking when it moves addresses; the chosen entries stay chosen.
   * @param asks `always` asks when any address changes; `published` only when a published one does, for a drop that showed its
   *   effect before
   * @returns whether it was made
   */
  async function makeMove(change: Change | undefined, asks: 'always' | 'published'): Promise<boolean> {
    if (!change) return false
    const { id, ids } = chosen
    const before = openSite.shown
    const outcome = openSite.tryOut(change)
    if (typeof outcome !== 'string' && (asks === 'always' || movesPublished(before, outcome.site))) {
      const title = `${changeWords(before, change)}: this changes addresses`
      if (!(await ripple.askIfItMoves(title, change, before, outcome.site))) return false
    }
    if (!openSite.makeOrTell(change)) return false
    chosen.choose(id)
    if (ids.size > 1) chosen.chooseAll(ids, id)
    return true
  }

  async function move(direction: Direction): Promise<void> {
    const to = stepOf(plan.value, movable.value, direction)
    if (to) await makeMove(moveAll(plan.value, movable.value, to.parent, to.before), 'always')
  }

  /** Moves the chosen entries under another, to stand last. */
  async function moveUnder(parent: EntryId): Promise<void> {
    await makeMove(moveAll(plan.value, movable.value, parent, undefined), 'always')
  }

  /** The change that dropping entries makes; undefined where they cannot be dropped. */
  function dropChange(ids: readonly EntryId[], target: EntryId, how: DropPlace): Change | undefined {
    const parent = how === 'under' ? target : plan.value.parents.get(target)
    if (parent === undefined) return undefined
    const siblings = childrenOf(plan.value, parent)
    const before =
      how === 'under' ? undefined : siblings[siblings.indexOf(target) + (how === 'after' ? 1 : 0)]
    return moveAll(plan.value, ids, parent, before)
  }

  /** Drops entries; where they land was seen before they were let go. Published addresses move only after a yes. */
  function drop(ids: readonly EntryId[], target: EntryId, how: DropPlace): void {
    void makeMove(dropChange(ids, target, how), 'published')
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

  /** Takes the entry that is being named under the one before it, or out after the one it is under, where that can be. */
  function levelDraft(by: 1 | -1): void {
    const { draft } = chosen
    if (!draft) return
    const before = childrenOf(plan.value, draft.parent)[draft.place - 1]
    const above = plan.value.parents.get(draft.parent)
    if (by > 0 && before !== undefined && entryOf(plan.value, before).kind !== 'link') {
      chosen.fold(before, false)
      chosen.draft = { ...draft, parent: before, place: childrenOf(plan.value, before).length }
    } else if (by < 0 && above !== undefined)
      chosen.draft = { ...draft, parent: above, place: placeOf(plan.value, draft.parent) + 1 }
    // Where it stays, its field is made anew all the same: it has given up its name.
    else chosen.draft = { ...draft }
  }

  /** Adds the entry that was begun, under the name that was typed; without a name, lets it be. @returns whether it was added */
  function finish(name: string): boolean {
    const { draft } = chosen
    chosen.draft = undefined
    if (!draft || name.trim() === '') return false
    const id = crypto.randomUUID()
    const { kind, parent, place } = draft
    const branch = newBranch(kind, id, name.trim())
    if (!openSite.makeOrTell({ kind: 'add', parent, place, branches: [branch] })) return false
    chosen.choose(id)
    return true
  }

  /** The change that renaming an entry makes: the title of a page, the label of anything else. */
  function renameChange(id: EntryId, name: string): Change | undefined {
    const entry = entryOf(plan.value, id)
    const now = entry.kind === 'page' ? entry.title : entry.label
    if (name.trim() === '' || name.trim() === now) return undefined
    return {
      kind: 'setEntry',
      entry: id,
      field: entry.kind === 'page' ? 'title' : 'label',
      value: name.trim(),
    }
  }

  function rename(name: string): void {
    const { renaming } = chosen
    chosen.renaming = ''
    const change = plan.value.entries.has(renaming) ? renameChange(renaming, name) : undefined
    if (change) openSite.makeOrTell(change)
  }

  /** Opens the dialog that shows what a removal takes along and breaks. */
  function remove(): void {
    if (movable.value.length === 0)
      return void (openSite.notice = 'The home page is the root of the plan: it cannot be removed.')
    dialog.value = 'remove'
  }

  function removeNow(change: Change | undefined): void {
    const next = chosen.neighbour()
    dialog.value = undefined
    if (change && openSite.makeOrTell(change)) chosen.choose(next)
  }

  const removal = (choice: RemovalChoice) => removalWith(openSite.shown, [...chosen.ids], choice)

  function setState(state: PageState): void {
    const change = setStateOfAll(plan.value, [...chosen.ids], state)
    if (change) openSite.makeOrTell(change)
  }

  function stand(field: 'inMenu' | 'inOrder', value: boolean): void {
    const change = standAll(plan.value, [...chosen.ids], field, value)
    if (change) openSite.makeOrTell(change)
  }

  /** Sorts what stands right under the chosen entry, once. */
  async function sort(key: SortKey): Promise<void> {
    const change = sortUnder(openSite.shown, chosen.id, key, addressesOf(openSite.shown).names)
    if (change) await makeMove(change, 'always')
    else
      openSite.notice = `What is under “${labelOf(chosen.entry!)}” stands in the order of its ${key}s already.`
  }

  const turned = computed(() => otherKind(openSite.shown, chosen.id))

  /** Makes the chosen page a group, or the group a page, after asking where that takes addresses away. */
  async function turn(): Promise<void> {
    await makeMove(turned.value, 'always')
  }

  const today = () => new Date().toISOString().slice(0, 10)
  const overviewChange = computed(() => overviewOf(openSite.shown, chosen.id, today()))

  /** Puts a list of the pages under the chosen one into its text. */
  function makeOverview(): void {
    if (overviewChange.value) openSite.makeOrTell(overviewChange.value)
  }

  /** Adds a page with a map of the whole site, and chooses it. */
  function addSiteMap(): void {
    const id = crypto.randomUUID()
    const change = siteMapPage(openSite.shown, id, today())
    if (!change) openSite.notice = 'This site has a page with a site map already.'
    else if (openSite.makeOrTell(change)) chosen.choose(id)
  }

  return {
    canTurn: computed(() => turned.value !== undefined),
    turn,
    canBeOverview: computed(() => overviewChange.value !== undefined),
    makeOverview,
    addSiteMap,
    isHome,
    movable,
    dialog,
    pasted,
    canMove,
    move,
    moveUnder,
    dropChange,
    drop,
    begin,
    levelDraft,
    finish,
    renameChange,
    rename,
    remove,
    removal,
    removeNow,
    setState,
    stand,
    sort,
  }
})
