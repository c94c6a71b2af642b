<script setup lang="ts">
import { useShaping } from '../../stores/shaping.ts'
import CopyDialog from './CopyDialog.vue'
import ImportDialog from './importing/ImportDialog.vue'
import MoveDialog from './MoveDialog.vue'
import PasteDialog from './PasteDialog.vue'
import RemoveDialog from './RemoveDialog.vue'

/** The dialogs that belong to the chosen entries, on whichever stop they are opened. */
const DIALOGS = {
  copy: CopyDialog,
  import: ImportDialog,
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
