<script setup lang="ts">
import { monitorForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter'
import { extractInstruction } from '@atlaskit/pragmatic-drag-and-drop-hitbox/list-item'
import { entryOf } from '@viatica/core/plan/plan.ts'
import { nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useChosen } from '../stores/chosen.ts'
import { useOpenSite } from '../stores/openSite.ts'
import { type DropPlace, useShaping } from '../stores/shaping.ts'
import NameInput from './NameInput.vue'
import OutlineItem from './OutlineItem.vue'

const openSite = useOpenSite()
const chosen = useChosen()
const shaping = useShaping()
const tree = ref<HTMLElement>()

/** Before which row the entry that is being named stands: after the last row of what comes before it. */
function isDraftBefore(index: number): boolean {
  const { draft, rows } = chosen
  if (!draft) return false
  const parentAt = rows.findIndex((row) => row.id === draft.parent)
  const level = rows[parentAt]!.level + 1
  let at = parentAt + 1
  for (let place = 0; at < rows.length && rows[at]!.level >= level; at++) {
    if (rows[at]!.level === level && place++ === draft.place) break
  }
  return index === at
}

const draftLevel = () => chosen.rows.find((row) => row.id === chosen.draft!.parent)!.level + 1

/** What renaming changes: the title of a page, the label of anything else. */
function nameOf(id: string): string {
  const entry = entryOf(openSite.site!.plan, id)
  return entry.kind === 'page' ? entry.title : entry.label
}

function focusChosen(): void {
  void nextTick(() => tree.value?.querySelector<HTMLElement>('[aria-selected="true"]')?.focus())
}

function chooseAt(index: number): void {
  const row = chosen.rows[Math.max(0, Math.min(index, chosen.rows.length - 1))]!
  chosen.choose(row.id)
  focusChosen()
}

/** Keys of the tree (WAI-ARIA Authoring Practices, tree view), and our own for shaping the plan. */
function press(event: KeyboardEvent): void {
  if ((event.target as HTMLElement).tagName === 'INPUT' || event.ctrlKey || event.metaKey) return
  const at = chosen.rows.findIndex((row) => row.id === chosen.id)
  const row = chosen.rows[at]!
  const action = event.altKey ? withAlt(event.key) : plain(event, at, row)
  if (!action) return
  event.preventDefault()
  action()
}

function withAlt(key: string): (() => void) | undefined {
  const directions = { ArrowUp: 'up', ArrowDown: 'down', ArrowRight: 'in', ArrowLeft: 'out' } as const
  const direction = directions[key as keyof typeof directions]
  return direction && (() => moveAndFocus(direction))
}

function moveAndFocus(direction: Parameters<typeof shaping.move>[0]): void {
  shaping.move(direction)
  focusChosen()
}

function plain(
  event: KeyboardEvent,
  at: number,
  row: (typeof chosen.rows)[number],
): (() => void) | undefined {
  switch (event.key) {
    case 'ArrowDown':
      return () => chooseAt(at + 1)
    case 'ArrowUp':
      return () => chooseAt(at - 1)
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
      return () => {
        shaping.remove()
        if (shaping.goingToo.length === 0) focusChosen()
      }
  }
  return undefined
}

function chooseParent(id: string): void {
  const parent = openSite.site!.plan.parents.get(id)
  if (parent === undefined) return
  chosen.choose(parent)
  focusChosen()
}

function finishDraft(name: string): void {
  shaping.finish(name)
  focusChosen()
}

function finishRename(name: string): void {
  shaping.rename(name)
  focusChosen()
}

watch(
  () => chosen.id,
  () =>
    void nextTick(() =>
      tree.value?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' }),
    ),
)

const dropPlaces: Readonly<Record<string, DropPlace>> = {
  'reorder-before': 'before',
  'reorder-after': 'after',
  combine: 'under',
}
let stopMonitor: (() => void) | undefined
onMounted(() => {
  stopMonitor = monitorForElements({
    onDrop({ source, location }) {
      const target = location.current.dropTargets[0]
      const instruction = target && extractInstruction(target.data)
      if (!target || !instruction || instruction.blocked) return
      shaping.moveTo(
        source.data['entry'] as string,
        target.data['entry'] as string,
        dropPlaces[instruction.operation]!,
      )
      focusChosen()
    },
  })
})
onBeforeUnmount(() => stopMonitor?.())
</script>

<template>
  <div ref="tree" class="tree" role="tree" aria-label="Plan" @keydown="press">
    <template v-for="(row, index) in chosen.rows" :key="row.id">
      <NameInput
        v-if="isDraftBefore(index)"
        :level="draftLevel()"
        :label="`Name of the new ${chosen.draft!.kind}`"
        @done="finishDraft"
      />
      <NameInput
        v-if="chosen.renaming === row.id"
        :level="row.level"
        label="New name"
        :name="nameOf(row.id)"
        @done="finishRename"
      />
      <OutlineItem v-else :row="row" @choose="chooseAt(index)" />
    </template>
    <NameInput
      v-if="isDraftBefore(chosen.rows.length)"
      :level="draftLevel()"
      :label="`Name of the new ${chosen.draft!.kind}`"
      @done="finishDraft"
    />
  </div>
</template>

<style scoped>
.tree {
  flex: 1;
  min-height: 0;
  padding: 4px 0 16px;
  overflow-y: auto;
}
</style>
