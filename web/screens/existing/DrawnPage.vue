<script setup lang="ts">
import type { DrawnPage } from '@viatica/core/existing/drawn.ts'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import * as v from 'valibot'
import { useFramedText } from '../../parts/framedText.ts'
import type { LaidOut, Rectangle } from '../../parts/laidOut.ts'
import livePage from '../../parts/livePage.js?url&no-inline'

/** A page of the folder as its visitors see it, with the holes of its template marked and named. Pointing chooses an element. */
const props = defineProps<{ page: DrawnPage; path: string }>()
const emit = defineEmits<{ point: [at: number] }>()

/** How wide the page takes its screen to be, in CSS pixels. */
const WIDTH = 1000
const HIGHEST = 12_000

const space = ref<HTMLElement>()
const frame = ref<HTMLIFrameElement>()
const width = ref(WIDTH)
const laidOut = shallowRef<LaidOut>()
const scale = computed(() => Math.min(1, width.value / WIDTH))
const height = computed(() => Math.min(Math.max(laidOut.value?.height ?? 0, 300), HIGHEST))

const html = computed(() => {
  const { html } = props.page
  const ours = `<script src="${location.origin}${livePage}"><${'/'}script><style>body { min-height: 0 !important; }</style>`
  const head = /<head(?:\s[^>]*)?>/i.exec(html)
  const start = head ? head.index + head[0].length : (/^\s*<!doctype[^>]*>/i.exec(html)?.[0].length ?? 0)
  return html.slice(0, start) + ours + html.slice(start)
})

const boxes = computed(() => {
  const at = new Map(laidOut.value?.pieces.map((piece) => [piece.id, piece.at]))
  return props.page.holes.flatMap((hole) => {
    const place = at.get(hole.id)
    return place ? [{ ...hole, style: scaled(place) }] : []
  })
})
const scaled = ({ x, y, width, height }: Rectangle) => ({
  left: `${x * scale.value}px`,
  top: `${y * scale.value}px`,
  width: `${width * scale.value}px`,
  height: `${height * scale.value}px`,
})

const pointSchema = v.object({ viatica: v.literal('point'), at: v.pipe(v.number(), v.integer()) })

function hear(event: MessageEvent): void {
  if (event.source !== frame.value?.contentWindow) return
  laidOut.value = framed.layoutSaid(event) ?? laidOut.value
  const pointed = v.safeParse(pointSchema, event.data)
  if (pointed.success) emit('point', pointed.output.at)
}

const framed = useFramedText(frame)
function show(): void {
  laidOut.value = undefined
  framed.show(html.value)
}
let observer: ResizeObserver | undefined
onMounted(() => {
  window.addEventListener('message', hear)
  observer = new ResizeObserver(([entry]) => (width.value = entry!.contentRect.width))
  observer.observe(space.value!)
  show()
})
watch(html, show, { flush: 'post' })
onBeforeUnmount(() => {
  window.removeEventListener('message', hear)
  observer?.disconnect()
})
</script>

<template>
  <div ref="space" class="space" tabindex="0" role="group" :aria-label="`${path}, drawn with its holes`">
    <iframe
      ref="frame"
      :title="`${path} as visitors see it`"
      sandbox="allow-scripts"
      tabindex="-1"
      :style="{ width: `${WIDTH}px`, height: `${height}px`, transform: `scale(${scale})` }"
    />
    <div class="over" :style="{ height: `${height * scale}px` }">
      <span v-for="box in boxes" :key="box.id" class="hole" :class="box.account" :style="box.style">
        <b>{{ box.name }}</b>
      </span>
    </div>
  </div>
</template>

<style scoped>
.space {
  position: relative;
  min-height: 0;
  overflow: hidden auto;
  background: #fff;
  border: 1px solid var(--rule);
  scrollbar-gutter: stable;
}

iframe {
  position: absolute;
  top: 0;
  left: 0;
  border: 0;
  transform-origin: top left;
}

.over {
  position: relative;
  overflow: hidden;
  pointer-events: none;
}

.hole {
  position: absolute;
  border: 2px solid;
}

.hole b {
  position: absolute;
  right: -2px;
  bottom: 100%;
  padding: 0 5px;
  color: #fff;
  font: 600 11px/16px var(--sign);
  white-space: nowrap;
}

.computed {
  border-color: var(--pine);
}

.computed b {
  background: var(--pine);
}

.content {
  border-color: #8a5e06;
}

.content b {
  background: #8a5e06;
}

.own {
  border-color: var(--brick);
}

.own b {
  background: var(--brick);
}
</style>
