<script setup lang="ts">
import { labelOf } from '@viatica/core/plan/entry.ts'
import { walk } from '@viatica/core/plan/plan.ts'
import { Select } from 'ant-design-vue'
import { computed } from 'vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { useWriting } from '../../stores/writing.ts'

/** For a page without a text: it can start from that of another. */
const openSite = useOpenSite()
const writing = useWriting()

const options = computed(() =>
  [...walk(openSite.shown.plan)].flatMap(({ entry }) =>
    entry.kind === 'page' && entry.id !== writing.page?.id && entry.body.html.trim() !== ''
      ? [{ value: entry.id, label: labelOf(entry) }]
      : [],
  ),
)

function start(id: unknown): void {
  const from = openSite.shown.plan.entries.get(String(id))
  if (from?.kind === 'page') writing.replace(from.body.html)
}
</script>

<template>
  <p v-if="options.length > 0" class="start">
    <label for="start-from">No text yet. Start from that of</label>
    <Select
      id="start-from"
      class="page"
      show-search
      option-filter-prop="label"
      placeholder="another page"
      :options="options"
      :value="undefined"
      @select="start"
    />
  </p>
</template>

<style scoped>
.start {
  display: flex;
  flex: none;
  align-items: center;
  gap: 8px;
  margin: 0;
}

.page {
  width: 240px;
}
</style>
