<script setup lang="ts">
import { textOfMarkup } from './textOfMarkup.ts'
import IconColumnInsertLeft from '~icons/tabler/column-insert-left'
import IconColumnInsertRight from '~icons/tabler/column-insert-right'
import IconColumnRemove from '~icons/tabler/column-remove'
import IconRowInsertBottom from '~icons/tabler/row-insert-bottom'
import IconRowInsertTop from '~icons/tabler/row-insert-top'
import IconRowRemove from '~icons/tabler/row-remove'
import IconTableColumn from '~icons/tabler/table-column'
import IconTableOff from '~icons/tabler/table-off'
import IconTableRow from '~icons/tabler/table-row'
import type { Editor } from '@tiptap/core'
import type { Command } from '@tiptap/pm/state'
import { escapeText } from '@viatica/core/standard/escape.ts'
import { Input } from 'ant-design-vue'
import { type Component, computed } from 'vue'
import IconButton from '../../../parts/IconButton.vue'
import ToolBar from '../../../parts/ToolBar.vue'
import { TABLE_STEPS } from './tables.ts'

/** What can be done to the table at the caret. */
const props = defineProps<{
  editor: Editor
  /** Counts up with every step of the editor. */
  tick: number
}>()

const TOOLS: readonly (readonly [string, Component, Command])[] = [
  ['Row above', IconRowInsertTop, TABLE_STEPS.rowAbove],
  ['Row below', IconRowInsertBottom, TABLE_STEPS.rowBelow],
  ['Column to the left', IconColumnInsertLeft, TABLE_STEPS.columnLeft],
  ['Column to the right', IconColumnInsertRight, TABLE_STEPS.columnRight],
  ['Header row', IconTableRow, TABLE_STEPS.headerRow],
  ['Header column', IconTableColumn, TABLE_STEPS.headerColumn],
  ['Delete row', IconRowRemove, TABLE_STEPS.deleteRow],
  ['Delete column', IconColumnRemove, TABLE_STEPS.deleteColumn],
  ['Delete table', IconTableOff, TABLE_STEPS.deleteTable],
]

const caption = computed(() =>
  props.tick < 0 ? '' : String(props.editor.getAttributes('table')['caption'] ?? ''),
)

/** A caption with elements in it is edited as the HTML that it is, any other as its text. */
const isMarkup = computed(() => caption.value.includes('<'))

function setCaption(typed: string): void {
  props.editor.commands.updateAttributes('table', { caption: isMarkup.value ? typed : escapeText(typed) })
}

function run(command: Command): void {
  const { view, state } = props.editor
  command(state, view.dispatch)
  view.focus()
}
</script>

<template>
  <ToolBar class="tools" label="Table">
    <IconButton
      v-for="[words, icon, command] in TOOLS"
      :key="words"
      :icon="icon"
      :label="words"
      @mousedown.prevent
      @click="run(command)"
    />
    <Input
      size="small"
      class="caption"
      :aria-label="isMarkup ? 'Caption of the table, as HTML' : 'Caption of the table'"
      placeholder="caption"
      :value="isMarkup ? caption : textOfMarkup(caption)"
      @change="(event) => setCaption(event.target.value ?? '')"
    />
  </ToolBar>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px;
  padding: 4px 8px;
  border-bottom: 1px solid var(--rule);
}

.caption {
  width: 160px;
  margin-left: 6px;
}
</style>
