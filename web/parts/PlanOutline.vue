<script setup lang="ts">
import { monitorForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter'
import { extractInstruction } from '@atlaskit/pragmatic-drag-and-drop-hitbox/list-item'
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/vue-virtual'
import { STATES } from '@viatica/core/plan/entry.ts'
import { childrenOf, entryOf } from '@viatica/core/plan/plan.ts'
import { itemAt } from '@viatica/core/standard/present.ts'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { type OutlineRow, useChosen } from '../stores/chosen.ts'
import { useOpenSite } from '../stores/openSite.ts'
import { type DropPlace, useShaping } from '../stores/shaping.ts'
import LandingNote, { type Landing } from './LandingNote.vue'
import NameInput from './NameInput.vue'
import OutlineItem from './OutlineItem.vue'

const ROW_HEIGHT = 29
const PADDING_TOP = 4

const openSite = useOpenSite()
const chosen = useChosen()
const shaping = useShaping()
const tree = ref<HTMLElement>()

/** What stands in the outline: its rows, and between them the entry that is being named. */
const items = computed<readonly (OutlineRow | 'draft')[]>(() => {
  const { draft, rows } = chosen
  if (!draft) return rows
  const parentAt = rows.findIndex((row) => row.id === draft.parent)
  const level = itemAt(rows, parentAt).level + 1
  let at = parentAt + 1
  for (let place = 0; at < rows.length && itemAt(rows, at).level >= level; at++) {
    if (itemAt(rows, at).level === level && place++ === draft.place) break
  }
  return [...rows.slice(0, at), 'draft', ...rows.slice(at)]
})
const placeOfItem = (id: string) => items.value.findIndex((item) => item !== 'draft' && item.id === id)
const chosenAt = computed(() => placeOfItem(chosen.id))

// Only what is in sight is drawn, and the chosen row, which holds the focus.
const virtualizer = useVirtualizer(
  computed(() => ({
    count: items.value.length,
    getScrollElement: () => tree.value ?? null,
    estimateSize: () => ROW_HEIGHT,
    getItemKey: (at: number) => {
      const item = items.value[at]
      return item === undefined || item === 'draft' ? draftKey() : item.id
    },
    overscan: 4,
    paddingStart: PADDING_TOP,
    paddingEnd: 16,
    rangeExtractor: (range: Parameters<typeof defaultRangeExtractor>[0]) => {
      const places = new Set(defaultRangeExtractor(range))
      if (chosenAt.value >= 0) places.add(chosenAt.value)
      return [...places].sort((a, b) => a - b)
    },
  })),
)
const drawn = computed(() =>
  virtualizer.value.getVirtualItems().flatMap(({ index, key, start }) => {
    const item = items.value[index]
    return item === undefined ? [] : [{ item, key: key as string, start }]
  }),
)

/** Each new entry is named in a field of its own. */
const draftKey = () => `draft ${chosen.draft?.parent ?? ''} ${chosen.draft?.place ?? ''}`

const draftLevel = () => chosen.rows.find((row) => row.id === chosen.draft!.parent)!.level + 1

/** What renaming changes: the title of a page, the label of anything else. */
function nameOf(id: string): string {
  const entry = entryOf(openSite.shown.plan, id)
  return entry.kind === 'page' ? entry.title : entry.label
}

/** Scrolls just so far that a row is in sight; by what is known of the list, since asking it would lay it out anew. */
function show(at: number): void {
  const { scrollOffset, scrollRect } = virtualizer.value
  if (at < 0 || scrollOffset === null || scrollRect === null || !tree.value) return
  const top = PADDING_TOP + at * ROW_HEIGHT
  const bottom = top + ROW_HEIGHT
  if (top >= scrollOffset && bottom <= scrollOffset + scrollRect.height) return
  tree.value.scrollTop = top < scrollOffset ? top : bottom - scrollRect.height
  // Heard of at once, not with the next frame: else the rows of the old place would be drawn once more.
  tree.value.dispatchEvent(new Event('scroll'))
}

/** A row that was out of sight is drawn a moment after it is scrolled to. */
const FRAMES_TO_DRAW = 6

async function focusChosen(): Promise<void> {
  for (let frame = 0; frame < FRAMES_TO_DRAW; frame++) {
    await nextTick()
    // A name that is being typed keeps the focus.
    if (chosen.draft || chosen.renaming) return
    show(chosenAt.value)
    const row = tree.value?.querySelector<HTMLElement>('[role=treeitem][tabindex="0"]')
    if (row) return row.focus()
    await new Promise(requestAnimationFrame)
  }
}

function rowAt(index: number): OutlineRow {
  return chosen.rows[Math.max(0, Math.min(index, chosen.rows.length - 1))]!
}

function chooseAt(index: number): void {
  chosen.choose(rowAt(index).id)
  void focusChosen()
}

/** Chooses a row as the mouse asks: alone, with all up to it, or one more. */
function click(row: OutlineRow, event: MouseEvent): void {
  if (event.shiftKey) chosen.chooseTo(row.id)
  else if (event.ctrlKey || event.metaKey) chosen.toggle(row.id)
  else chosen.choose(row.id)
  void focusChosen()
}

/** Keys of the tree (WAI-ARIA Authoring Practices, tree view), and our own for shaping the plan. */
function press(event: KeyboardEvent): void {
  if ((event.target as HTMLElement).tagName === 'INPUT') return
  if (event.ctrlKey || event.metaKey) return void (withControl(event.key) && event.preventDefault())
  const at = chosen.rows.findIndex((row) => row.id === chosen.id)
  const row = chosen.rows[at]!
  const action = event.altKey ? withAlt(event.key) : plain(event, at, row)
  if (!action) return
  event.preventDefault()
  action()
}

/** Going on without letting go of what is chosen, and choosing all siblings. @returns whether the key was one of these */
function withControl(key: string): boolean {
  const at = chosen.rows.findIndex((row) => row.id === chosen.id)
  if (key === 'ArrowDown' || key === 'ArrowUp') {
    chosen.lookAt(rowAt(at + (key === 'ArrowDown' ? 1 : -1)).id)
    void focusChosen()
  } else if (key === 'a') {
    const parent = openSite.shown.plan.parents.get(chosen.id)
    if (parent === undefined) return true
    chosen.chooseAll(childrenOf(openSite.shown.plan, parent), chosen.id)
  } else return false
  return true
}

/** A list in the clipboard is shown before it is added. */
function paste(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData('text/plain') ?? ''
  if ((event.target as HTMLElement).tagName === 'INPUT' || text.trim() === '') return
  event.preventDefault()
  shaping.pasted = text
  shaping.dialog = 'paste'
}

function withAlt(key: string): (() => void) | undefined {
  const directions = { ArrowUp: 'up', ArrowDown: 'down', ArrowRight: 'in', ArrowLeft: 'out' } as const
  const direction = directions[key as keyof typeof directions]
  return direction && (() => moveAndFocus(direction))
}

function moveAndFocus(direction: Parameters<typeof shaping.move>[0]): void {
  void shaping.move(direction).then(focusChosen)
}

function plain(event: KeyboardEvent, at: number, row: OutlineRow): (() => void) | undefined {
  const step = (to: number) => (event.shiftKey ? () => extendTo(to) : () => chooseAt(to))
  switch (event.key) {
    case 'ArrowDown':
      return step(at + 1)
    case 'ArrowUp':
      return step(at - 1)
    case 'Home':
      return () => chooseAt(0)
    case 'End':
      return () => chooseAt(chosen.rows.length - 1)
    case 'ArrowRight':
      return row.hasChildren ? () => (row.isOpen ? chooseAt(at + 1) : chosen.fold(row.id, false)) : undefined
    case 'ArrowLeft':
      return row.hasChildren && row.isOpen && row.level > 1
        ? () => chosen.fold(row.id, true)
        : () => chooseParent(row.id)
    case 'Enter':
      return () => shaping.begin('page', event.shiftKey ? 'beneath' : 'beside')
    case 'F2':
      return () => (chosen.renaming = chosen.id)
    case 'Delete':
      return shaping.remove
    case ' ':
      return () => chosen.toggle(chosen.id)
    case 'c':
      return () => !shaping.isHome && (shaping.dialog = 'copy')
    case 'm':
      return () => shaping.movable.length > 0 && (shaping.dialog = 'move')
    case '1':
    case '2':
    case '3':
      return () => shaping.setState(STATES[Number(event.key) - 1]!)
  }
  return undefined
}

function extendTo(index: number): void {
  chosen.chooseTo(rowAt(index).id)
  void focusChosen()
}

function chooseParent(id: string): void {
  const parent = openSite.shown.plan.parents.get(id)
  if (parent === undefined) return
  chosen.choose(parent)
  void focusChosen()
}

/** The name of a new entry so far, when it goes on at another level. */
let begun = ''

/** Adds what was named. Enter goes right on to the next one; an empty name ends the row. */
function finishDraft(name: string, isEntered: boolean): void {
  const kind = chosen.draft?.kind
  const isAdded = shaping.finish(name)
  begun = ''
  if (isAdded && isEntered && kind !== undefined && kind !== 'link') shaping.begin(kind, 'beside')
  else void focusChosen()
}

function levelDraft(by: 1 | -1, name: string): void {
  begun = name
  shaping.levelDraft(by)
}

function finishRename(name: string): void {
  shaping.rename(name)
  void focusChosen()
}

watch(chosenAt, show)
watch(
  () => chosen.draft,
  (draft) => draft && void nextTick(() => show(items.value.indexOf('draft'))),
)

const DROP_PLACES: Readonly<Record<string, DropPlace>> = {
  'reorder-before': 'before',
  'reorder-after': 'after',
  combine: 'under',
}
/** Where what is being dragged would land. */
const landing = shallowRef<Landing>()

function landingOf(
  source: Record<string, unknown>,
  target: { data: Record<string | symbol, unknown> } | undefined,
): Landing | undefined {
  const instruction = target && extractInstruction(target.data)
  if (!target || !instruction || instruction.blocked) return undefined
  return {
    ids: source['entries'] as string[],
    target: target.data['entry'] as string,
    how: DROP_PLACES[instruction.operation]!,
  }
}

let stopMonitor: (() => void) | undefined
onMounted(() => {
  stopMonitor = monitorForElements({
    onDrag({ source, location }) {
      const next = landingOf(source.data, location.current.dropTargets[0])
      const now = landing.value
      if (next?.target !== now?.target || next?.how !== now?.how) landing.value = next
    },
    onDrop({ source, location }) {
      landing.value = undefined
      const last = landingOf(source.data, location.current.dropTargets[0])
      if (!last) return
      shaping.drop(last.ids, last.target, last.how)
      void focusChosen()
    },
  })
})
onBeforeUnmount(() => stopMonitor?.())

defineExpose({ focus: focusChosen })
</script>

<template>
  <div
    ref="tree"
    class="tree"
    role="tree"
    aria-label="Plan"
    aria-multiselectable="true"
    @keydown="press"
    @paste="paste"
  >
    <div role="none" class="all" :style="{ height: `${virtualizer.getTotalSize()}px` }">
      <div
        v-for="{ item, key, start } in drawn"
        :key="key"
        role="none"
        class="place"
        :class="{ naming: item === 'draft' || chosen.renaming === item.id }"
        :style="{ transform: `translateY(${start}px)` }"
      >
        <NameInput
          v-if="item === 'draft'"
          :level="draftLevel()"
          :label="`Name of the new ${chosen.draft!.kind}`"
          :name="begun"
          @done="finishDraft"
          @level="levelDraft"
        />
        <NameInput
          v-else-if="chosen.renaming === item.id"
          :level="item.level"
          label="New name"
          :name="nameOf(item.id)"
          :entry="item.id"
          :change-for="(name) => shaping.renameChange(item.id, name)"
          @done="finishRename"
        />
        <OutlineItem v-else :row="item" @choose="click(item, $event)" />
      </div>
    </div>
  </div>
  <LandingNote v-if="landing" :landing="landing" />
</template>

<style scoped>
.tree {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
}

.all {
  position: relative;
}

.place {
  position: absolute;
  top: 0;
  left: 0;
  width: 100%;
  height: 29px;
}

.naming {
  z-index: 2;
}
</style>
