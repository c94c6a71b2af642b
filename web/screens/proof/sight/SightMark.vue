<script setup lang="ts">
import IconCircleCheck from '~icons/tabler/circle-check'
import IconCircleDotted from '~icons/tabler/circle-dotted'
import IconRefreshAlert from '~icons/tabler/refresh-alert'
import type { PageSight } from '@viatica/core/seen/seen.ts'

defineProps<{ state: PageSight['state'] }>()
const ICONS = { unseen: IconCircleDotted, seen: IconCircleCheck, changed: IconRefreshAlert }
</script>

<template>
  <component :is="ICONS[state]" width="17" height="17" :class="`is-${state}`" aria-hidden="true" />
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
