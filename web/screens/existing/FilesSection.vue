<script setup lang="ts">
import type { Overview } from '@viatica/core/existing/overview.ts'
import { computed } from 'vue'
import VirtualRows from '../../parts/VirtualRows.vue'
import { sizeWords } from '../surround/files/fileWords.ts'
import { counted } from '../../parts/pages/steps.ts'

/** What files there are, and which look left over. */
const props = defineProps<{ overview: Overview }>()

const files = computed(() => props.overview.report.files)
const reasons = computed(() => {
  const all = new Map<string, string[]>()
  for (const { path, reason } of props.overview.report.leftover)
    all.set(path, [...(all.get(path) ?? []), reason])
  return all
})
const pages = computed(() => new Set(props.overview.pages.map(({ path }) => path)))
const includes = computed(() => new Set(props.overview.report.includes))

const kindOf = (path: string) =>
  pages.value.has(path) ? 'page' : includes.value.has(path) ? 'part of pages' : 'file'
const bytes = computed(() => files.value.reduce((sum, file) => sum + file.bytes, 0))
/** Those with something to be said of them come first. */
const rows = computed(() =>
  [...files.value].sort(
    (a, b) =>
      Number(reasons.value.has(b.path)) - Number(reasons.value.has(a.path)) || (a.path < b.path ? -1 : 1),
  ),
)
</script>

<template>
  <p class="sum">
    {{ counted(pages.size, 'page') }} and {{ counted(files.length - pages.size, 'other file') }},
    {{ sizeWords(bytes) }}. All files are imported and keep their paths<template v-if="reasons.size > 0"
      >; {{ counted(reasons.size, 'file') }} may be left over: please check</template
    >.
  </p>
  <VirtualRows class="rows" :rows="rows" :row-height="30" label="Files of the folder">
    <template #default="{ row }">
      <span class="row" :class="{ doubtful: reasons.has(row.path) }">
        <code>{{ row.path }}</code>
        <span class="kind">{{ kindOf(row.path) }}</span>
        <span class="size">{{ sizeWords(row.bytes) }}</span>
        <span v-if="reasons.has(row.path)" class="reason">{{ reasons.get(row.path)!.join(' ') }}</span>
      </span>
    </template>
  </VirtualRows>
</template>

<style scoped>
.sum {
  flex: none;
  margin: 0;
}

.rows {
  flex: 1;
  min-height: 160px;
  background: var(--card);
  border: 1px solid var(--rule);
}

.row {
  display: grid;
  grid-template-columns: minmax(0, 2fr) 90px 80px minmax(0, 3fr);
  gap: 12px;
  align-items: center;
  height: 30px;
  padding: 0 12px;
  white-space: nowrap;
}

.row > * {
  overflow: hidden;
  text-overflow: ellipsis;
}

.kind,
.size {
  color: var(--slate);
}

.size {
  text-align: right;
}

.doubtful {
  background: var(--here);
}

@media (max-width: 700px) {
  .row {
    grid-template-columns: minmax(0, 1fr) 60px;
  }

  .kind,
  .reason,
  .doubtful .size {
    display: none;
  }

  .row.doubtful {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }

  .doubtful .reason {
    display: block;
  }
}
</style>
