<script setup lang="ts">
import { valueFor } from '@viatica/core/standard/present.ts'
import IconArrowsMaximize from '~icons/tabler/arrows-maximize'
import IconArrowRight from '~icons/tabler/arrow-right'
import IconArrowDown from '~icons/tabler/arrow-down'
import IconDownload from '~icons/tabler/download'
import IconMinus from '~icons/tabler/minus'
import IconPlus from '~icons/tabler/plus'
import IconPrinter from '~icons/tabler/printer'
import { labelOf } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { childrenOf, entryOf } from '@viatica/core/plan/plan.ts'
import { soundFileName } from '@viatica/core/standard/fileName.ts'
import {
  type Box,
  BOX_HEIGHT,
  BOX_WIDTH,
  connection,
  type Direction,
  structureOf,
} from '@viatica/core/structure/tree.ts'
import { select } from 'd3-selection'
import { zoom as makeZoom, zoomIdentity, type ZoomTransform } from 'd3-zoom'
import { computed, h, nextTick, onBeforeUnmount, onMounted, ref, render, shallowRef, watch } from 'vue'
import IconButton from '../../../parts/IconButton.vue'
import { useChosen } from '../../../stores/chosen.ts'
import { useOpenSite } from '../../../stores/openSite.ts'
import { useShaping } from '../../../stores/shaping.ts'
import StructureBox from './StructureBox.vue'
import StructureDrawing from './StructureDrawing.vue'
import StructurePrint from './StructurePrint.vue'

/** The plan as a tree that can be read at a glance. */
const MARGIN = 24
const SCALES: [number, number] = [0.02, 2]
/** Below this size words cannot be read, and are not drawn. */
const SMALL = 0.35
/** The tree opens fitted, but not smaller than this. */
const READABLE = 0.8

const openSite = useOpenSite()
const chosen = useChosen()
const shaping = useShaping()

const direction = ref<Direction>('right')
const canvas = ref<SVGSVGElement>()
const room = ref({ width: 800, height: 600 })
const view = shallowRef<ZoomTransform>(zoomIdentity)
const prints = ref(false)

const plan = computed(() => openSite.shown.plan)
const structure = computed(() => structureOf(plan.value, direction.value, chosen.folded))
const byId = computed(() => new Map(structure.value.boxes.map((box) => [box.id, box])))
const title = computed(() => `Structure of ${openSite.shown.settings.name}`)

/** The part of the sheet that is in sight. */
const seen = computed(() => {
  const { x, y, k } = view.value
  return {
    left: -x / k,
    top: -y / k,
    right: (room.value.width - x) / k,
    bottom: (room.value.height - y) / k,
  }
})
const isSeen = ({ x, y }: Box) =>
  x < seen.value.right &&
  y < seen.value.bottom &&
  x + BOX_WIDTH > seen.value.left &&
  y + BOX_HEIGHT > seen.value.top
const boxes = computed(() => structure.value.boxes.filter((box) => isSeen(box) || box.id === chosen.id))
const lines = computed(() => {
  const { left, right, top, bottom } = seen.value
  return structure.value.boxes.flatMap((box) => {
    const parent = box.parent === undefined ? undefined : byId.value.get(box.parent)
    if (!parent) return []
    const isOff =
      Math.max(box.x, parent.x) + BOX_WIDTH < left ||
      Math.min(box.x, parent.x) > right ||
      Math.max(box.y, parent.y) + BOX_HEIGHT < top ||
      Math.min(box.y, parent.y) > bottom
    return isOff ? [] : [{ id: box.id, d: connection(parent, box, direction.value) }]
  })
})

const zoom = makeZoom<SVGSVGElement, unknown>()
  .scaleExtent(SCALES)
  .on('zoom', ({ transform }: { transform: ZoomTransform }) => (view.value = transform))
const picture = () => select(canvas.value!)

function fit(least = SCALES[0]): void {
  const { width, height } = structure.value
  const scale = Math.min(
    (room.value.width - 2 * MARGIN) / width,
    (room.value.height - 2 * MARGIN) / height,
    1.1,
  )
  const k = Math.max(scale, least)
  const home = byId.value.get(plan.value.home)
  // What fits stands in the middle; of a larger tree, the home page does, and the sheet ends at its edges.
  const place = (all: number, inside: number, middle: number) =>
    inside * k <= all - 2 * MARGIN
      ? (all - inside * k) / 2
      : Math.max(all - inside * k - MARGIN, Math.min(MARGIN, all / 2 - middle * k))
  picture().call(
    zoom.transform,
    zoomIdentity
      .translate(
        place(room.value.width, width, (home?.x ?? 0) + BOX_WIDTH / 2),
        place(room.value.height, height, (home?.y ?? 0) + BOX_HEIGHT / 2),
      )
      .scale(k),
  )
  bringIntoView()
}

const zoomBy = (factor: number) => picture().call(zoom.scaleBy, factor)

/** Moves the sheet as little as is needed for the chosen entry to be in sight. */
function bringIntoView(): void {
  const box = byId.value.get(chosen.id)
  if (!box || !canvas.value) return
  const { left, right, top, bottom } = seen.value
  const pad = MARGIN / view.value.k
  const by = (from: number, to: number, low: number, high: number) =>
    from < low + pad ? low + pad - from : to > high - pad ? high - pad - to : 0
  const dx = by(box.x, box.x + BOX_WIDTH, left, right)
  const dy = by(box.y, box.y + BOX_HEIGHT, top, bottom)
  if (dx !== 0 || dy !== 0) picture().call(zoom.translateBy, dx, dy)
}

/** What is told of an entry to those who do not see its box. */
function nameOf(id: EntryId): string {
  const entry = entryOf(plan.value, id)
  const word = entry.kind === 'page' ? entry.state : entry.kind
  return `${labelOf(entry)}, ${word}${entry.inMenu ? '' : ', not in menus'}`
}

function focusChosen(): void {
  void nextTick(() => canvas.value?.querySelector<SVGGElement>('[tabindex="0"]')?.focus())
}

function choose(id: EntryId, event?: MouseEvent): void {
  if (event && (event.ctrlKey || event.metaKey || event.shiftKey)) chosen.toggle(id)
  else chosen.choose(id)
  focusChosen()
}

/** The entry that lies in a direction: along the levels, or among those of one level. */
function neighbour(key: string): EntryId | undefined {
  const { id } = chosen
  const alongKeys = direction.value === 'right' ? ['ArrowLeft', 'ArrowRight'] : ['ArrowUp', 'ArrowDown']
  const acrossKeys = direction.value === 'right' ? ['ArrowUp', 'ArrowDown'] : ['ArrowLeft', 'ArrowRight']
  if (key === alongKeys[0]) return plan.value.parents.get(id)
  if (key === alongKeys[1]) return childrenOf(plan.value, id)[0]
  const level = structure.value.boxes.filter(({ depth }) => depth === valueFor(byId.value, id).depth)
  const at = level.findIndex((box) => box.id === id)
  if (key === acrossKeys[0]) return level[at - 1]?.id
  if (key === acrossKeys[1]) return level[at + 1]?.id
  return undefined
}

function press(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const to = neighbour(event.key)
  if (to !== undefined) choose(to)
  else if (event.key === ' ') chosen.fold(chosen.id, !chosen.folded.has(chosen.id))
  else if (event.key === '+') zoomBy(1.25)
  else if (event.key === '-') zoomBy(0.8)
  else if (event.key === '0') fit()
  else if (event.key === 'Delete') shaping.remove()
  else if (!event.key.startsWith('Arrow')) return
  event.preventDefault()
}

/** The whole drawing as a file. */
function saveSvg(): void {
  const holder = document.createElement('div')
  const { width, height } = structure.value
  const part = [-MARGIN, -MARGIN, width + 2 * MARGIN, height + 2 * MARGIN] as const
  render(
    h(StructureDrawing, { plan: plan.value, structure: structure.value, part, title: title.value }),
    holder,
  )
  const text = new XMLSerializer().serializeToString(holder.firstElementChild!)
  render(null, holder)
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type: 'image/svg+xml' }))
  link.download = `${soundFileName(openSite.shown.settings.name, '-')}-structure.svg`
  link.click()
  URL.revokeObjectURL(link.href)
}

let observer: ResizeObserver | undefined
let isFitted = false
onMounted(() => {
  picture().call(zoom).on('dblclick.zoom', null)
  observer = new ResizeObserver(([entry]) => {
    const { width, height } = entry!.contentRect
    room.value = { width, height }
    if (!isFitted) fit(READABLE)
    isFitted = true
  })
  observer.observe(canvas.value!)
})
onBeforeUnmount(() => observer?.disconnect())
watch(
  () => chosen.id,
  () => void nextTick(bringIntoView),
)
watch(direction, () => void nextTick(() => fit(READABLE)))
</script>

<template>
  <div class="structure">
    <div class="bar" role="toolbar" aria-label="Structure">
      <button
        type="button"
        class="plain-button"
        @click="direction = direction === 'right' ? 'down' : 'right'"
      >
        <component
          :is="direction === 'right' ? IconArrowRight : IconArrowDown"
          width="17"
          height="17"
          aria-hidden="true"
        />
        {{ direction === 'right' ? 'Left to right' : 'Top to bottom' }}
      </button>
      <IconButton :icon="IconMinus" title="Smaller (-)" label="Smaller" @click="zoomBy(0.8)" />
      <span class="scale">{{ Math.round(view.k * 100) }} %</span>
      <IconButton :icon="IconPlus" title="Larger (+)" label="Larger" @click="zoomBy(1.25)" />
      <button type="button" class="plain-button" title="All of it (0)" @click="fit()">
        <IconArrowsMaximize width="16" height="16" aria-hidden="true" />Fit
      </button>
      <span class="gap" />
      <button type="button" class="plain-button" @click="saveSvg">
        <IconDownload width="17" height="17" aria-hidden="true" />SVG
      </button>
      <button type="button" class="plain-button" @click="prints = true">
        <IconPrinter width="17" height="17" aria-hidden="true" />Print
      </button>
    </div>
    <svg ref="canvas" class="canvas" @keydown="press">
      <g :transform="view.toString()">
        <g class="lines" aria-hidden="true">
          <path v-for="line in lines" :key="line.id" :d="line.d" />
        </g>
        <g role="tree" aria-label="Structure" aria-multiselectable="true">
          <g
            v-for="box in boxes"
            :key="box.id"
            class="box"
            role="treeitem"
            :aria-level="box.depth + 1"
            :aria-selected="chosen.ids.has(box.id)"
            :aria-expanded="box.folded > 0 ? false : childrenOf(plan, box.id).length > 0 ? true : undefined"
            :tabindex="box.id === chosen.id ? 0 : -1"
            :data-entry="box.id"
            @click="choose(box.id, $event)"
          >
            <title>{{ nameOf(box.id) }}</title>
            <StructureBox
              :box="box"
              :entry="entryOf(plan, box.id)"
              :is-chosen="chosen.ids.has(box.id)"
              :is-small="view.k < SMALL"
            />
            <g
              v-if="childrenOf(plan, box.id).length > 0 && view.k >= SMALL"
              class="fold"
              :transform="`translate(${
                direction === 'right'
                  ? `${box.x + BOX_WIDTH + 11} ${box.y + BOX_HEIGHT / 2}`
                  : `${box.x + BOX_WIDTH / 2} ${box.y + BOX_HEIGHT + 11}`
              })`"
              aria-hidden="true"
              @click.stop="chosen.fold(box.id, box.folded === 0)"
            >
              <circle r="9" />
              <text y="4">{{ box.folded > 0 ? `+${box.folded}` : '−' }}</text>
            </g>
          </g>
        </g>
      </g>
    </svg>
    <StructurePrint
      v-if="prints"
      :plan="plan"
      :structure="structure"
      :title="title"
      @close="prints = false"
    />
  </div>
</template>

<style scoped>
.structure {
  display: flex;
  flex-direction: column;
}

.bar {
  display: flex;
  flex: none;
  align-items: center;
  gap: 2px;
  padding-bottom: 4px;
}

.scale {
  min-width: 46px;
  text-align: center;
}

.gap {
  flex: 1;
}

.canvas {
  flex: 1;
  width: 100%;
  min-height: 0;
  border: 1px solid var(--rule);
  cursor: grab;
}

.canvas:active {
  cursor: grabbing;
}

.lines path {
  fill: none;
  stroke: var(--moss);
  stroke-width: 2;
}

.box {
  cursor: pointer;
}

.box:focus {
  outline: none;
}

.box:hover :deep(.shape) {
  stroke-width: 2.4;
}

.box:focus-visible :deep(.shape) {
  stroke: var(--ink);
  stroke-width: 3;
}

.fold circle {
  fill: var(--paper);
  stroke: var(--moss);
  stroke-width: 1.5;
}

.fold:hover circle {
  stroke: var(--pine);
}

.fold text {
  fill: var(--ink);
  font:
    500 11px Barlow,
    sans-serif;
  text-anchor: middle;
}
</style>
