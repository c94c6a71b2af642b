<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { useShaping } from '../../stores/shaping.ts'
import CopyDialog from './CopyDialog.vue'
import MoveDialog from './MoveDialog.vue'
import PasteDialog from './PasteDialog.vue'
import RemoveDialog from './RemoveDialog.vue'

/**
 * The dialogs that belong to the chosen entries, on whichever stop they are opened. What is typed right after the key that
 * opens one is meant for it: they are there at once, but for that which begins with files.
 */
const DIALOGS = {
  copy: CopyDialog,
  import: defineAsyncComponent(() => import('./importing/ImportDialog.vue')),
  move: MoveDialog,
  paste: PasteDialog,
  remove: RemoveDialog,
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
