<script setup lang="ts">
import { Alert, Button, Spin } from 'ant-design-vue'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import {
  onBeforeRouteLeave,
  onBeforeRouteUpdate,
  RouterLink,
  RouterView,
  useRoute,
  useRouter,
} from 'vue-router'
import MountLater from '../../parts/MountLater.vue'
import OutlineTools from '../../parts/OutlineTools.vue'
import PlanOutline from '../../parts/PlanOutline.vue'
import SearchBox from '../../parts/SearchBox.vue'
import ShortcutsDialog from '../../parts/ShortcutsDialog.vue'
import { closePanel, isNarrow, isSlim, openPanel } from '../../parts/panels.ts'
import ShapeDialogs from '../../parts/shape/ShapeDialogs.vue'
import RippleQuestion from '../../parts/ripple/RippleQuestion.vue'
import { unpinnedPages } from '@viatica/core/address/pins.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import { useChosen } from '../../stores/chosen.ts'
import { useOpenSite } from '../../stores/openSite.ts'
import { useRipple } from '../../stores/ripple.ts'
import { useShaping } from '../../stores/shaping.ts'
import { useSiteFiles } from '../../stores/siteFiles.ts'
import { placeOfStop, STOPS } from '../../stops.ts'
import { fetchScreensLater } from '../fetchLater.ts'
import FrameFoot from './FrameFoot.vue'
import FrameHead from './FrameHead.vue'
import PinOffer from './PinOffer.vue'
import { useScreenAddress } from './screenAddress.ts'
import UndoQuestion from './UndoQuestion.vue'
import UnsavedEdits from './UnsavedEdits.vue'

const route = useRoute()
const router = useRouter()
const openSite = useOpenSite()
const chosen = useChosen()
const ripple = useRipple()
const shaping = useShaping()
const siteFiles = useSiteFiles()
const showsKeys = ref(false)
/** Whether the site was downloaded, and nobody has answered yet whether its addresses are to be pinned. */
const isDownloaded = ref(false)
const searchBox = ref<InstanceType<typeof SearchBox>>()
const outline = ref<InstanceType<typeof PlanOutline>>()

/** What is asked about one site is not asked about the next. */
function dropQuestions(): void {
  isDownloaded.value = false
  ripple.question?.answer(false)
  shaping.dialog = undefined
}

watch(
  () => route.params['id'] as string | undefined,
  (id) => {
    dropQuestions()
    if (id) void openSite.open(id)
  },
  { immediate: true },
)
watch(
  () => openSite.site?.settings.name,
  (name) => (document.title = name ? `${name} · Viatica` : 'Viatica'),
  { immediate: true },
)

const gone = useScreenAddress()
const goneTo = computed(() => {
  const entry = gone.value && openSite.shown.plan.entries.get(gone.value.parent)
  return entry && { id: entry.id, label: labelOf(entry) }
})

const hasNotices = computed(
  () =>
    isDownloaded.value ||
    gone.value !== undefined ||
    openSite.saveTrouble !== '' ||
    openSite.notice !== '' ||
    openSite.apart.length + openSite.typed.length > 0,
)

/** Kinds of fields without a text of their own. */
const NO_TEXT = new Set(['button', 'checkbox', 'color', 'file', 'radio', 'range', 'reset', 'submit'])

/** Whether keys go into a text, which has an undo of its own. */
function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable ||
      target.tagName === 'TEXTAREA' ||
      (target instanceof HTMLInputElement && !NO_TEXT.has(target.type)))
  )
}

/** The panes of the screen, in the order of F6, each with the element that gets the focus. */
const PANES = ['#outline [tabindex="0"]:is([role=treeitem])', '#work', '#details'] as const

/** Goes to the next pane, or the one before. */
function stepPane(by: 1 | -1): void {
  const panes = PANES.flatMap((selector) => {
    const pane = document.querySelector<HTMLElement>(selector)
    return pane?.checkVisibility() ? [pane] : []
  })
  const isIn = (pane: HTMLElement) => (pane.closest('#outline') ?? pane).contains(document.activeElement)
  // The details are within the work: the innermost pane is the one with the focus.
  const at = panes.findLastIndex(isIn)
  panes[(at + by + panes.length) % panes.length]?.focus()
}

/** Goes to the next stop, or the one before. */
function stepStop(by: 1 | -1): void {
  const at = STOPS.findIndex(({ name }) => name === route.name)
  const stop = at < 0 ? undefined : STOPS[at + by]
  if (stop) void router.push(placeOfStop(stop, openSite.id))
}

function press(event: KeyboardEvent): void {
  if (event.key === 'F6' && !event.ctrlKey && !event.altKey) {
    event.preventDefault()
    return stepPane(event.shiftKey ? -1 : 1)
  }
  if (isTyping(event.target)) return
  const isUndoKey = (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z'
  // Letters choose in a list of options.
  const isLetter = !event.ctrlKey && !event.metaKey
  if (isLetter && event.target instanceof HTMLSelectElement) return
  if (isUndoKey) {
    event.preventDefault()
    if (event.shiftKey) openSite.redo()
    else openSite.undo()
  } else if (event.key === '?') showsKeys.value = true
  else if (isLetter && event.key === '.') stepStop(1)
  else if (isLetter && event.key === ',') stepStop(-1)
  else if (event.key === '/') {
    event.preventDefault()
    searchBox.value?.focus()
  }
}

/** Closes an outline that covers the work once a page is chosen in it; a fold or a menu of a page chooses none. */
function closeAfterChoice({ target }: Event): void {
  if (!isSlim.value || !(target instanceof Element)) return
  if (target.closest('[role=treeitem]') && !target.closest('input')) closePanel()
}

/** Past the outline, to what is worked on. */
function skip(): void {
  document.querySelector<HTMLElement>('#work')?.focus()
}

/** What is not saved yet is kept in the browser; only where that is not done would it be lost with the page. */
function beforeLeaving(event: BeforeUnloadEvent): void {
  openSite.saveTyped()
  if (siteFiles.isWorking || (openSite.saveState !== 'saved' && !openSite.isKept)) event.preventDefault()
}

/** Whether the site can be left; where it cannot, its author is told why. */
async function mayLeave(): Promise<boolean> {
  if (siteFiles.isWorking) {
    openSite.notice =
      'Files are still being added or changed. Wait until that is done, or stop it, before you leave this site.'
    return false
  }
  if ((await openSite.settle()) || openSite.isKept) return true
  openSite.notice = 'Your last edits are not saved yet. They would be lost if you left this site now.'
  return false
}
onBeforeRouteLeave(mayLeave)
onBeforeRouteUpdate((to, from) => to.params['id'] === from.params['id'] || mayLeave())

const stopLoading = fetchScreensLater()

onMounted(() => {
  window.addEventListener('keydown', press)
  window.addEventListener('beforeunload', beforeLeaving)
  window.addEventListener('pagehide', openSite.saveTyped)
})
onBeforeUnmount(() => {
  stopLoading()
  dropQuestions()
  openSite.leave()
  window.removeEventListener('keydown', press)
  window.removeEventListener('beforeunload', beforeLeaving)
  window.removeEventListener('pagehide', openSite.saveTyped)
})
</script>

<template>
  <div v-if="openSite.site" class="frame" :class="{ slim: isSlim }">
    <FrameHead
      class="head"
      @skip="skip"
      @downloaded="isDownloaded = unpinnedPages(openSite.site!).length > 0"
    />
    <div v-if="openPanel && isNarrow" class="curtain" @click="closePanel" />
    <section
      v-show="!isSlim || openPanel === 'outline'"
      id="outline"
      class="outline"
      aria-label="Outline"
      @click="closeAfterChoice"
      @keydown.esc="isSlim && closePanel()"
    >
      <MountLater>
        <SearchBox ref="searchBox" @found="isSlim ? closePanel() : outline?.focus()" />
        <OutlineTools />
        <PlanOutline ref="outline" />
      </MountLater>
    </section>
    <div class="stop">
      <div v-if="hasNotices" class="notices">
        <Alert v-if="openSite.saveTrouble" type="error" role="alert">
          <template #message>
            Could not save: {{ openSite.saveTrouble }} Your edits are kept here and will be saved as soon as
            that works again.
          </template>
        </Alert>
        <Alert
          v-if="openSite.notice"
          type="warning"
          role="alert"
          closable
          :message="openSite.notice"
          @close="openSite.notice = ''"
        />
        <Alert v-if="goneTo" type="warning" role="alert">
          <template #message>
            This page is not in the plan any more. If it was removed, the history brings it back.
            <Button size="small" @click="chosen.choose(goneTo.id)">Go to “{{ goneTo.label }}”</Button>
          </template>
        </Alert>
        <PinOffer v-if="isDownloaded" @close="isDownloaded = false" />
        <UnsavedEdits />
      </div>
      <MountLater><RouterView /></MountLater>
    </div>
    <MountLater>
      <FrameFoot class="foot" @keys="showsKeys = true" />
      <ShapeDialogs />
      <RippleQuestion />
      <UndoQuestion />
      <ShortcutsDialog :open="showsKeys" @close="showsKeys = false" />
    </MountLater>
  </div>
  <main v-else class="waiting">
    <template v-if="openSite.trouble">
      <h1>This site cannot be opened</h1>
      <p role="alert">{{ openSite.trouble }}</p>
      <p>
        <Button type="primary" @click="openSite.open(openSite.id)">Try again</Button>
        <RouterLink to="/">All sites</RouterLink>
      </p>
    </template>
    <Spin v-else tip="Opening the site"><div class="spin" /></Spin>
  </main>
</template>

<style scoped>
.frame {
  display: grid;
  grid-template: 72px minmax(0, 1fr) 38px / 348px minmax(0, 1fr);
  position: relative;
  height: 100vh;
  height: 100dvh;
  overflow: clip;
}

.slim {
  grid-template: auto minmax(0, 1fr) auto / minmax(0, 1fr);
}

.slim .outline {
  position: fixed;
  inset: 0 auto 0 0;
  z-index: 8;
  width: min(348px, 88vw);
  border-right: 2px solid var(--pine);
}

.curtain {
  position: fixed;
  inset: 0;
  z-index: 7;
  background: rgb(29 43 42 / 45%);
}

@media (max-width: 1100px) {
  .frame:not(.slim) {
    grid-template-columns: 290px minmax(0, 1fr);
  }
}

@media (max-height: 500px) {
  .frame:not(.slim) {
    grid-template-rows: 52px minmax(0, 1fr) 30px;
  }
}

.head,
.foot {
  grid-column: 1 / -1;
}

.outline {
  position: relative;
  display: flex;
  flex-direction: column;
  min-height: 0;
  background: var(--card);
  border-right: 1px solid var(--rule);
}

.stop {
  display: flex;
  flex-direction: column;
  min-height: 0;
  overflow: auto;
}

.notices {
  display: grid;
  flex: none;
  gap: 6px;
  padding: 8px 16px 0;
}

.waiting {
  max-width: 520px;
  margin: 18vh auto 0;
  padding: 0 24px;
}

.waiting .ant-btn {
  margin-right: 16px;
}

.spin {
  height: 120px;
}
</style>
