<script setup lang="ts">
import { Button } from 'ant-design-vue'
import ModalDialog from './ModalDialog.vue'

defineProps<{ open: boolean }>()
defineEmits<{ close: [] }>()

type Shortcuts = readonly (readonly [keys: string, words: string])[]

const EVERYWHERE: Shortcuts = [
  ['F6, Shift F6', 'the next pane: outline, work, details; the one before'],
  [', .', 'the stop before; the next'],
  ['← →', 'in a toolbar: the button before; the next'],
  ['/', 'find a page'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['?', 'this list'],
]
const OUTLINE: Shortcuts = [
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
]
const PROOF: Shortcuts = [
  ['N, P', 'the next finding or page, the one before'],
  ['F', 'fix the chosen finding'],
  ['S', 'reviewing the pages: mark as reviewed'],
]
const TEXT: Shortcuts = [
  ['Ctrl B, Ctrl I, Ctrl E', 'bold, italic, code'],
  ['Ctrl K', 'link'],
  ['Shift Enter', 'line break'],
  ['Ctrl Shift 8, 7', 'list; numbered list'],
  ['Ctrl Alt 2 … 6', 'heading of this level; Ctrl Alt 0: paragraph'],
  ['Tab, Shift Tab', 'in a list: one level in, out; in a table: the next cell, the one before'],
  ['Escape', 'leave a list'],
  ['F8', 'in the HTML: the next problem'],
  ['Escape, then Tab', 'leave the HTML'],
]
const GROUPS = [
  ['Everywhere', EVERYWHERE],
  ['In the outline', OUTLINE],
  ['At Proof', PROOF],
  ['In a text', TEXT],
] as const
</script>

<template>
  <ModalDialog :open="open" title="Keyboard shortcuts" @close="$emit('close')">
    <template v-for="[title, shortcuts] in GROUPS" :key="title">
      <h3>{{ title }}</h3>
      <dl>
        <template v-for="[keys, words] in shortcuts" :key="keys">
          <dt>{{ keys }}</dt>
          <dd>{{ words }}</dd>
        </template>
      </dl>
    </template>
    <template #buttons><Button @click="$emit('close')">Close</Button></template>
  </ModalDialog>
</template>

<style scoped>
h3 {
  margin: 14px 0 6px;
  font-size: 15px;
}

h3:first-child {
  margin-top: 0;
}

dl {
  display: grid;
  grid-template-columns: minmax(8em, auto) 1fr;
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
