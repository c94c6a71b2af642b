<script setup lang="ts">
import type { Entry } from '@viatica/core/plan/entry.ts'
import { computed } from 'vue'

const props = defineProps<{ entry: Entry }>()

/** The state of a page, or what the entry is instead of a page. */
const word = computed(() => (props.entry.kind === 'page' ? props.entry.state : props.entry.kind))
</script>

<template>
  <svg class="mark" viewBox="0 0 16 16" width="14" height="14" role="img" :aria-label="word">
    <title>{{ word }}</title>
    <circle v-if="word === 'planned'" class="outline dotted" cx="8" cy="8" r="6.2" />
    <template v-else-if="word === 'draft'">
      <circle class="outline" cx="8" cy="8" r="6.2" />
      <path class="fill" d="M8 1.8a6.2 6.2 0 0 0 0 12.4z" />
    </template>
    <circle v-else-if="word === 'ready'" class="fill" cx="8" cy="8" r="7" />
    <rect v-else-if="word === 'group'" class="bar" x="0" y="5" width="16" height="6" rx="1.5" />
    <path v-else class="arrow" d="M3.5 12.5 12 4M5.5 4H12v6.5" />
  </svg>
</template>

<style scoped>
.mark {
  flex: none;
}

.fill {
  fill: var(--pine);
}

.outline {
  fill: var(--card);
  stroke: var(--pine);
  stroke-width: 1.8;
}

.dotted {
  stroke-dasharray: 2.2 2;
}

.bar {
  fill: var(--slate);
}

.arrow {
  fill: none;
  stroke: var(--slate);
  stroke-width: 1.8;
}
</style>
