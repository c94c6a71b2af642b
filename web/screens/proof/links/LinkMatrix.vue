<script setup lang="ts">
import { LINK_WAYS, wayBit } from '@viatica/core/statistics/linkPicture.ts'
import { computed, onBeforeUnmount, onMounted, ref, watch, watchEffect } from 'vue'
import { useChosen } from '../../../stores/chosen.ts'
import { useLinking } from '../../../stores/linking.ts'
import { drawMatrix } from './drawMatrix.ts'
import { WAY_WORDS } from './wayWords.ts'

/** The pages of the site against themselves: a row says where a page links to, a column from where it is linked. */
const size = defineModel<number>('size', { required: true })

const chosen = useChosen()
const linking = useLinking()

const LEFT = 150
const TOP = 112
const SMALLEST = 3
const LARGEST = 26

const scroller = ref<HTMLElement>()
const canvas = ref<HTMLCanvasElement>()
const room = ref({ width: 0, height: 0 })
const scrolled = ref({ x: 0, y: 0 })

const at = computed<readonly [number, number] | undefined>(() => {
  const row = linking.rows.findIndex(({ id }) => id === linking.from)
  const column = linking.columns.findIndex(({ id }) => id === linking.to)
  return row < 0 || column < 0 ? undefined : [row, column]
})
const extent = computed(() => ({
  width: `${LEFT + linking.columns.length * size.value + 2}px`,
  height: `${TOP + linking.rows.length * size.value + 2}px`,
}))

/** What the chosen cell says, for those who do not see it. */
const told = computed(() => {
  if (!at.value) return ''
  const [row, column] = [linking.rows[at.value[0]]!, linking.columns[at.value[1]]!]
  const bits = linking.cell(row, column)
  const ways = LINK_WAYS.filter((way) => bits & wayBit(way)).map((way) => WAY_WORDS[way])
  return `${row.label} to ${column.label}: ${ways.length > 0 ? ways.join(', ') : 'no link'}`
})

/** As large as shows the whole matrix, so far as cells can still be told apart. */
function fit(): void {
  const across = (room.value.width - LEFT) / (linking.columns.length || 1)
  const down = (room.value.height - TOP) / (linking.rows.length || 1)
  size.value = Math.min(LARGEST, Math.max(SMALLEST, Math.floor(Math.min(across, down))))
}
const zoom = (by: number) => (size.value = Math.min(LARGEST, Math.max(SMALLEST, size.value + by)))
defineExpose({ fit, zoom })

watchEffect(
  () => {
    const pen = canvas.value?.getContext('2d')
    const { width, height } = room.value
    if (!pen || width === 0) return
    const ratio = window.devicePixelRatio
    canvas.value!.width = width * ratio
    canvas.value!.height = height * ratio
    pen.scale(ratio, ratio)
    drawMatrix(pen, {
      rows: linking.rows,
      columns: linking.columns,
      cell: linking.cell,
      size: size.value,
      left: LEFT,
      top: TOP,
      scrollX: scrolled.value.x,
      scrollY: scrolled.value.y,
      ...room.value,
      here: chosen.id,
      at: at.value,
    })
  },
  { flush: 'post' },
)

/** Where in the matrix a point of the screen is; below 0 on the names. */
function placeOf(event: MouseEvent): { row: number; column: number } {
  const box = canvas.value!.getBoundingClientRect()
  const [x, y] = [event.clientX - box.left, event.clientY - box.top]
  return {
    row: y < TOP ? -1 : Math.floor((y - TOP + scrolled.value.y) / size.value),
    column: x < LEFT ? -1 : Math.floor((x - LEFT + scrolled.value.x) / size.value),
  }
}

function look(row: number, column: number): void {
  const [from, to] = [linking.rows[row], linking.columns[column]]
  if (from && to) [linking.from, linking.to] = [from.id, to.id]
  else if (from && column < 0) chosen.choose(from.id)
  else if (to && row < 0) chosen.choose(to.id)
}

function click(event: MouseEvent): void {
  const { row, column } = placeOf(event)
  look(row, column)
}

const hovered = ref('')
function hover(event: MouseEvent): void {
  const { row, column } = placeOf(event)
  const [from, to] = [linking.rows[row], linking.columns[column]]
  hovered.value = from && to ? `${from.label} → ${to.label}` : (from?.label ?? to?.label ?? '')
}

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
}

function press(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const step = STEPS[event.key]
  if (step) {
    event.preventDefault()
    const [row, column] = at.value ? [at.value[0] + step[0], at.value[1] + step[1]] : [0, 0]
    look(
      Math.min(linking.rows.length - 1, Math.max(0, row)),
      Math.min(linking.columns.length - 1, Math.max(0, column)),
    )
    bringIntoSight()
  } else if (event.key === '+') zoom(2)
  else if (event.key === '-') zoom(-2)
}

function bringIntoSight(): void {
  if (!at.value) return
  const box = scroller.value!
  const [y, x] = [at.value[0] * size.value, at.value[1] * size.value]
  const [right, bottom] = [room.value.width - LEFT - size.value, room.value.height - TOP - size.value]
  box.scrollTo(
    Math.min(x, Math.max(box.scrollLeft, x - right)),
    Math.min(y, Math.max(box.scrollTop, y - bottom)),
  )
}

let observer: ResizeObserver | undefined
onMounted(() => {
  observer = new ResizeObserver(() => {
    const { clientWidth: width, clientHeight: height } = scroller.value!
    const isFirst = room.value.width === 0
    room.value = { width, height }
    if (isFirst) fit()
  })
  observer.observe(scroller.value!)
})
onBeforeUnmount(() => observer?.disconnect())
watch(() => [linking.rows.length, linking.columns.length], fit)
</script>

<template>
  <div
    ref="scroller"
    class="scroller"
    role="application"
    tabindex="0"
    aria-label="Links from page to page: arrow keys go from cell to cell, plus and minus zoom"
    :title="hovered"
    @scroll="scrolled = { x: scroller!.scrollLeft, y: scroller!.scrollTop }"
    @keydown="press"
    @click="click"
    @mousemove="hover"
  >
    <div :style="extent">
      <canvas ref="canvas" :style="{ width: `${room.width}px`, height: `${room.height}px` }" />
    </div>
    <p class="unseen" role="status">{{ told }}</p>
  </div>
</template>

<style scoped>
.scroller {
  position: relative;
  flex: 1;
  min-height: 0;
  overflow: auto;
  background: var(--card);
  border: 1px solid var(--rule);
}

canvas {
  position: sticky;
  top: 0;
  left: 0;
  display: block;
  cursor: pointer;
}
</style>
