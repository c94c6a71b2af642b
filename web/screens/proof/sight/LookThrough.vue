<script setup lang="ts">
import IconArrowLeft from '~icons/tabler/arrow-left'
import IconArrowRight from '~icons/tabler/arrow-right'
import IconCheck from '~icons/tabler/check'
import IconX from '~icons/tabler/x'
import { labelOf } from '@viatica/core/plan/entry.ts'
import { Button } from 'ant-design-vue'
import { computed, nextTick, onBeforeUnmount, onMounted, ref } from 'vue'
import IconButton from '../../../parts/IconButton.vue'
import LivePage from '../../../parts/LivePage.vue'
import { startWidth } from '../../../parts/pageWidths.ts'
import WidthChoice from '../../../parts/WidthChoice.vue'
import { useLooking } from '../../../stores/looking.ts'
import { useOpenSite } from '../../../stores/openSite.ts'
import SightMark from './SightMark.vue'
import { sightWords } from './sightWords.ts'

/** One page after the other at full size, with nothing beside it but what ticks it. */
const emit = defineEmits<{ close: [] }>()

const openSite = useOpenSite()
const looking = useLooking()
const width = ref(startWidth())
const dialog = ref<HTMLDialogElement>()
const seenButton = ref<InstanceType<typeof Button>>()

const page = computed(() => {
  const entry = openSite.site?.plan.entries.get(looking.here?.page ?? '')
  return entry?.kind === 'page' ? entry : undefined
})

/** Ticks the page and goes to the next that is left; or takes the tick away. */
async function tick(): Promise<void> {
  const here = looking.here
  if (!here) return
  await looking.tick(here.page, here.state !== 'seen')
  if (here.state !== 'seen') looking.next()
}

const KEYS: Readonly<Record<string, () => unknown>> = {
  s: tick,
  n: () => looking.step(1),
  p: () => looking.step(-1),
}

function press(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const action = KEYS[event.key]
  if (!action) return
  event.preventDefault()
  // The keys of the outline below are not meant.
  event.stopPropagation()
  void action()
}

onMounted(async () => {
  dialog.value!.showModal()
  await nextTick()
  ;(seenButton.value?.$el as HTMLElement | undefined)?.focus()
})
onBeforeUnmount(() => dialog.value?.close())
</script>

<template>
  <Teleport to="body">
    <dialog ref="dialog" aria-label="The pages, one after the other" @close="emit('close')" @keydown="press">
      <div v-if="looking.here && page" class="bar">
        <Button title="Previous page (P)" :disabled="looking.at <= 0" @click="looking.step(-1)"
          ><IconArrowLeft width="16" height="16" aria-hidden="true" /> Previous</Button
        >
        <Button
          title="Next page (N)"
          :disabled="looking.at >= (looking.pages?.length ?? 0) - 1"
          @click="looking.step(1)"
          >Next <IconArrowRight width="16" height="16" aria-hidden="true"
        /></Button>
        <p role="status" class="words">
          <strong>{{ labelOf(page) }}</strong>
          <span class="quiet">{{ looking.at + 1 }} of {{ looking.pages?.length }}</span>
          <SightMark :state="looking.here.state" /> {{ sightWords(looking.here, page.seen?.on) }}
        </p>
        <WidthChoice v-model="width" />
        <Button
          ref="seenButton"
          type="primary"
          title="Mark as reviewed, and on to the next that is left (S)"
          @click="tick"
          ><template v-if="looking.here.state === 'seen'">Mark as not reviewed</template
          ><template v-else
            ><IconCheck width="16" height="16" aria-hidden="true" /> Mark as reviewed</template
          ></Button
        >
        <IconButton :icon="IconX" label="Close" title="Close (Esc)" @click="emit('close')" />
      </div>
      <div class="stage">
        <LivePage v-if="page" :page="page.id" :width="width" class="page" :style="{ width: `${width}px` }" />
      </div>
    </dialog>
  </Teleport>
</template>

<style scoped>
dialog {
  display: flex;
  flex-direction: column;
  width: 100vw;
  max-width: none;
  height: 100vh;
  max-height: none;
  margin: 0;
  padding: 0;
  color: var(--ink);
  background: var(--paper);
  border: 0;
}

.bar {
  display: flex;
  flex: none;
  align-items: center;
  gap: 8px;
  padding: 6px 12px;
  background: var(--card);
  border-bottom: 2px solid var(--pine);
}

p {
  flex: 1;
  min-width: 0;
  margin: 0 8px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.words .quiet {
  margin: 0 6px;
}

p svg {
  vertical-align: -3px;
}

.stage {
  flex: 1;
  min-height: 0;
  overflow: auto hidden;
}

.page {
  height: 100%;
  margin: 0 auto;
  border-top: 0;
  border-bottom: 0;
}
</style>
