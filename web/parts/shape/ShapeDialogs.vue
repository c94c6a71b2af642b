<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { useShaping } from '../../stores/shaping.ts'

/** The dialogs that belong to the chosen entries, on whichever stop they are opened: none is needed to open a site. */
const DIALOGS = {
  copy: defineAsyncComponent(() => import('./CopyDialog.vue')),
  import: defineAsyncComponent(() => import('./importing/ImportDialog.vue')),
  move: defineAsyncComponent(() => import('./MoveDialog.vue')),
  paste: defineAsyncComponent(() => import('./PasteDialog.vue')),
  remove: defineAsyncComponent(() => import('./RemoveDialog.vue')),
}

const shaping = useShaping()
</script>

<template>
  <component
    :is="DIALOGS[shaping.dialog]"
    v-if="shaping.dialog"
    :key="shaping.dialog"
    @close="shaping.dialog = undefined"
  />
</template>
