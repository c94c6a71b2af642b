<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { withoutQuery } from '@viatica/core/standard/reference.ts'
import { pageAtPath } from '@viatica/core/address/addresses.ts'
import { entryOf } from '@viatica/core/plan/plan.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { sitesApi } from '../api/sites.ts'
import { useChosen } from '../stores/chosen.ts'
import { useOpenSite } from '../stores/openSite.ts'
import { nextTask } from '../workers/nextTask.ts'
import { framedPage } from './framedPage.ts'
import { useFramedText } from './framedText.ts'
import type { LaidOut } from './laidOut.ts'

const props = defineProps<{
  page: EntryId
  /** The site that is shown; without it, the one that is open, as it is edited. */
  site?: Site
  /** How wide the page takes its screen to be, in CSS pixels; it is scaled to fit. */
  width: number
  /** A place in its main content to be shown, in characters of the source. */
  found?: { readonly start: number } | undefined
  /** Whether the frame is as high as its page, so that something can be laid over it; it scrolls with the page then. */
  isWhole?: boolean
}>()
defineSlots<{ over(shown: { scale: number; laidOut: LaidOut }): unknown }>()

/** Later than the frame in which an edit is painted, and sooner than the eye gets there. */
const FOLLOW_MS = 60

const openSite = useOpenSite()
const chosen = useChosen()
const space = ref<HTMLElement>()
const frame = ref<HTMLIFrameElement>()
const room = ref({ width: 0, height: 0 })

/** The open site: the page follows an edit when the outline and the fields have. */
const followed = shallowRef(openSite.shown)
watchDebounced(
  () => openSite.site,
  (site) => {
    if (site) followed.value = site
  },
  { debounce: FOLLOW_MS },
)
const shown = computed(() => props.site ?? followed.value)

const name = computed(() => {
  const entry = entryOf((props.site ?? openSite.shown).plan, props.page)
  return entry.kind === 'page' ? entry.title : entry.label
})

/** The site with the place marked that is to be shown. */
const marked = computed(() => {
  const entry = shown.value.plan.entries.get(props.page)
  if (!props.found || entry?.kind !== 'page') return shown.value
  const { start } = props.found
  const rest = entry.body.html.slice(start).replace(/^<[a-z][a-z0-9-]*/i, '$& data-found=""')
  const body = { ...entry.body, html: entry.body.html.slice(0, start) + rest }
  const entries = new Map(shown.value.plan.entries).set(entry.id, { ...entry, body })
  return { ...shown.value, plan: { ...shown.value.plan, entries } }
})
/** A page that fills its window would keep the frame as high as it once was. */
const WHOLE = '<style>body { min-height: 0 !important; }</style></head>'
const FOUND = '<style>[data-found] { outline: 4px solid #a63d2b; outline-offset: 3px; }</style></head>'

function htmlNow(): string {
  const page = framedPage(marked.value, openSite.id, props.page)
  if (props.isWhole) return page.replace('</head>', WHOLE)
  return props.found ? page.replace('</head>', FOUND) : page
}

const framed = useFramedText(frame)
let isWaiting = false

/** Writes and shows the page in a task of its own, after all that is drawn around it. */
async function showSoon(): Promise<void> {
  if (isWaiting) return
  isWaiting = true
  await nextTask()
  isWaiting = false
  // Without the frame, it is not shown any more.
  if (frame.value) framed.show(htmlNow())
}
watch(() => [marked.value, props.page, props.found, props.isWhole], showSoon, { flush: 'post' })

/** A page whose height follows that of its window would grow without end. */
const HIGHEST = 12_000

const laidOut = shallowRef<LaidOut>()
const scale = computed(() => Math.min(1, room.value.width / props.width || 1))
const height = computed(() => {
  const least = room.value.height / scale.value
  return props.isWhole ? Math.min(Math.max(least, laidOut.value?.height ?? 0), HIGHEST) : least
})
const style = computed(() => ({
  width: `${props.width}px`,
  height: `${height.value}px`,
  transform: `scale(${scale.value})`,
}))
watch(
  () => props.page,
  () => (laidOut.value = undefined),
)

/** A followed link chooses its page; one that leads elsewhere is told. */
function hear(event: MessageEvent): void {
  if (event.source !== frame.value?.contentWindow) return
  laidOut.value = framed.layoutSaid(event) ?? laidOut.value
  const said = event.data as { viatica?: string; url?: string } | undefined
  if (said?.viatica !== 'follow' || !said.url) return
  const path = sitesApi.previewedPath(openSite.id, withoutQuery(said.url))
  const page = path === undefined ? undefined : pageAtPath(openSite.shown, decodeURIComponent(path))
  if (page) chosen.choose(page)
  else openSite.notice = `This link leads out of the site, to ${said.url}`
}

let observer: ResizeObserver | undefined
onMounted(() => {
  void showSoon()
  window.addEventListener('message', hear)
  observer = new ResizeObserver(([entry]) => {
    const { width, height } = entry!.contentRect
    room.value = { width, height }
  })
  observer.observe(space.value!)
})
onBeforeUnmount(() => {
  window.removeEventListener('message', hear)
  observer?.disconnect()
})
</script>

<template>
  <div ref="space" class="space" :class="{ whole: isWhole }" :tabindex="isWhole ? 0 : undefined">
    <iframe ref="frame" :title="`${name}, as visitors will see it`" sandbox="allow-scripts" :style="style" />
    <div v-if="isWhole && laidOut" class="over" :style="{ height: `${height * scale}px` }">
      <slot name="over" :scale="scale" :laid-out="laidOut" />
    </div>
  </div>
</template>

<style scoped>
.space {
  position: relative;
  min-height: 0;
  overflow: hidden;
  background: #fff;
  border: 1px solid var(--rule);
}

.whole {
  overflow: hidden auto;
  /* Its own bar must not change the room that the page is scaled to. */
  background: var(--paper);
  scrollbar-gutter: stable;
}

.over {
  position: relative;
  overflow: hidden;
}

iframe {
  position: absolute;
  top: 0;
  left: 0;
  border: 0;
  transform-origin: top left;
}
</style>
