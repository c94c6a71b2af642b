<script setup lang="ts">
import IconAlertTriangle from '~icons/tabler/alert-triangle'
import IconCheck from '~icons/tabler/check'
import { useOpenSite } from '../stores/openSite.ts'

const openSite = useOpenSite()
</script>

<template>
  <p class="state" :class="openSite.saveState" role="status">
    <template v-if="openSite.saveState === 'saved'"
      ><IconCheck width="16" height="16" aria-hidden="true" /> <span class="words">Saved</span></template
    >
    <template v-else-if="openSite.saveState === 'saving'">Saving …</template>
    <template v-else-if="openSite.saveState === 'typing'">Not saved yet</template>
    <template v-else><IconAlertTriangle width="16" height="16" aria-hidden="true" /> Could not save</template>
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

/* Where there is hardly room, the sign alone says it to those who see it. */
@media (max-width: 400px) {
  .words {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
}

.failed {
  padding: 3px 8px;
  background: var(--brick);
  border-radius: 3px;
}
</style>
