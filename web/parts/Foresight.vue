<script setup lang="ts">
import { useTimeoutFn } from '@vueuse/core'
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { rippleWords } from '@viatica/core/ripple/rippleWords.ts'
import { computed, ref, watch } from 'vue'
import { useOpenSite } from '../stores/openSite.ts'
import { siteWork } from '../workers/siteWork.ts'

/** What a change that is being typed would do, in a line: the address that an entry would get, and the ripple. */
const props = defineProps<{ entry: string; change: Change }>()

const PAUSE_MS = 150

const openSite = useOpenSite()
const words = ref('')

const path = computed(() => {
  try {
    return addressesOf(applyChange(openSite.shown, props.change).site).paths.get(props.entry)
  } catch (error) {
    if (error instanceof ChangeRefused) return undefined
    throw error
  }
})

async function foreseeNow(): Promise<void> {
  const { change } = props
  const foreseen = await siteWork.foresee(change)
  if (props.change === change && typeof foreseen !== 'string') words.value = rippleWords(foreseen.ripple)
}
const { start } = useTimeoutFn(() => void foreseeNow(), PAUSE_MS)
watch(
  () => props.change,
  () => {
    words.value = ''
    start()
  },
)
</script>

<template>
  <span class="foresight" role="status">
    <template v-if="path">will stand at <code>{{ path }}</code></template>
    <template v-if="words"> · {{ words }}</template>
    <template v-if="path"> · Enter takes it</template>
  </span>
</template>

<style scoped>
.foresight {
  display: block;
  margin-top: 2px;
  color: var(--slate);
  font-size: 12.5px;
  overflow-wrap: anywhere;
}
</style>
