<script setup lang="ts">
import { Button } from 'ant-design-vue'
import ModalDialog from './ModalDialog.vue'

defineProps<{ open: boolean }>()
defineEmits<{ close: [] }>()

const SHORTCUTS: readonly (readonly [string, string])[] = [
  ['↑ ↓', 'the entry above or below'],
  ['← →', 'collapse and expand; to the section, into it'],
  ['Shift ↑ ↓', 'choose up to there'],
  ['Ctrl ↑ ↓, Space', 'go on and keep what is chosen; choose one more'],
  ['Ctrl A', 'choose all siblings'],
  ['Enter', 'add a page after the chosen one; Enter again for the next, Tab to make it a subpage'],
  ['Shift Enter', 'add a subpage'],
  ['Ctrl V', 'paste the list in the clipboard'],
  ['F2', 'rename'],
  ['Alt ↑ ↓', 'move up or down'],
  ['Alt → ←', 'indent; outdent'],
  ['M, C', 'move under another page; copy'],
  ['1, 2, 3', 'planned, draft, ready'],
  ['Delete', 'remove'],
  ['/', 'find a page'],
  ['N, P', 'at Proof: the next finding or page, the one before'],
  ['F', 'at Proof: fix the chosen finding'],
  ['S', 'reviewing the pages: mark as reviewed'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['?', 'this list'],
]
</script>

<template>
  <ModalDialog :open="open" title="Keyboard shortcuts" @close="$emit('close')">
    <dl>
      <template v-for="[keys, words] in SHORTCUTS" :key="keys">
        <dt>{{ keys }}</dt>
        <dd>{{ words }}</dd>
      </template>
    </dl>
    <template #buttons><Button @click="$emit('close')">Close</Button></template>
  </ModalDialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 20px;
  margin: 0;
}

dt {
  font-weight: 600;
}

dd {
  margin: 0;
}
</style>
