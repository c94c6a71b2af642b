<script setup lang="ts">
import { IconAlertTriangle, IconCheck } from '@tabler/icons-vue'
import { useOpenSite } from '../stores/openSite.ts'

const openSite = useOpenSite()
</script>

<template>
  <p class="state" :class="openSite.saveState" role="status">
    <template v-if="openSite.saveState === 'saved'"
      ><IconCheck :size="16" aria-hidden="true" /> Saved</template
    >
    <template v-else-if="openSite.saveState === 'saving'">Saving …</template>
    <template v-else-if="openSite.saveState === 'typing'">Not saved yet</template>
    <template v-else><IconAlertTriangle :size="16" aria-hidden="true" /> Could not save</template>
  </p>
</template>

<style scoped>
.state {
  display: flex;
  align-items: center;
  gap: 4px;
  margin: 0;
  white-space: nowrap;
}

.failed {
  padding: 3px 8px;
  background: var(--brick);
  border-radius: 3px;
}
</style>
