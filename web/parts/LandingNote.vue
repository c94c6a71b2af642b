<script setup lang="ts">
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import { changeWords } from '@viatica/core/plan/change/changeWords.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { entryOf } from '@viatica/core/plan/plan.ts'
import { computed } from 'vue'
import { useOpenSite } from '../stores/openSite.ts'
import { type DropPlace, useShaping } from '../stores/shaping.ts'

/** Where dragged entries would land, and what their addresses would become. */
export interface Landing {
  readonly ids: readonly EntryId[]
  readonly target: EntryId
  readonly how: DropPlace
}

const props = defineProps<{ landing: Landing }>()

const SHOWN = 6

const openSite = useOpenSite()
const shaping = useShaping()

const outcome = computed(() => {
  const site = openSite.shown
  const { ids, target, how } = props.landing
  const change = shaping.dropChange(ids, target, how)
  if (!change) return undefined
  try {
    const after = applyChange(site, change).site
    const now = addressesOf(site).paths
    const then = addressesOf(after).paths
    const moved = [...then].filter(([id, path]) => now.get(id) !== path)
    // First what is in the author's hand, then what goes along.
    moved.sort(([a], [b]) => Number(ids.includes(b)) - Number(ids.includes(a)))
    return {
      words: changeWords(site, change),
      moved: moved.map(([id, path]) => ({ id, label: labelOf(entryOf(after.plan, id)), path })),
    }
  } catch (error) {
    if (error instanceof ChangeRefused) return { words: error.message, moved: [] }
    throw error
  }
})
</script>

<template>
  <div v-if="outcome" class="landing" role="status">
    <strong>{{ outcome.words }}</strong>
    <ul v-if="outcome.moved.length > 0">
      <li v-for="{ id, label, path } in outcome.moved.slice(0, SHOWN)" :key="id">
        {{ label }} <code>{{ path }}</code>
      </li>
      <li v-if="outcome.moved.length > SHOWN">and {{ outcome.moved.length - SHOWN }} more addresses</li>
    </ul>
    <p v-else>No address changes.</p>
  </div>
</template>

<style scoped>
.landing {
  position: absolute;
  right: 10px;
  bottom: 10px;
  left: 10px;
  z-index: 4;
  padding: 8px 12px;
  background: var(--card);
  border: 2px solid var(--pine);
  border-radius: 3px;
  pointer-events: none;
}

ul,
p {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}

code {
  overflow-wrap: anywhere;
  text-align: right;
}
</style>
