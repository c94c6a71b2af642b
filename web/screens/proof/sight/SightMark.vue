<script setup lang="ts">
import { IconCircleCheck, IconCircleDotted, IconRefreshAlert } from '@tabler/icons-vue'
import type { PageSight } from '@viatica/core/seen/seen.ts'

defineProps<{ state: PageSight['state'] }>()
const ICONS = { unseen: IconCircleDotted, seen: IconCircleCheck, changed: IconRefreshAlert }
</script>

<template>
  <component :is="ICONS[state]" :size="17" :class="`is-${state}`" aria-hidden="true" />
</template>

<style scoped>
.is-seen {
  color: var(--pine);
}

.is-changed {
  color: var(--brick);
}

.is-unseen {
  color: var(--slate);
}
</style>
