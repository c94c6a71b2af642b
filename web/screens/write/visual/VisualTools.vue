<script setup lang="ts">
import IconBlockquote from '~icons/tabler/blockquote'
import IconBold from '~icons/tabler/bold'
import IconChevronDown from '~icons/tabler/chevron-down'
import IconCode from '~icons/tabler/code'
import IconCornerDownLeft from '~icons/tabler/corner-down-left'
import IconItalic from '~icons/tabler/italic'
import IconLink from '~icons/tabler/link'
import IconList from '~icons/tabler/list'
import IconListNumbers from '~icons/tabler/list-numbers'
import IconMinus from '~icons/tabler/minus'
import IconPhoto from '~icons/tabler/photo'
import IconTable from '~icons/tabler/table'
import type { Editor } from '@tiptap/core'
import { type Component, computed } from 'vue'
import IconButton from '../../../parts/IconButton.vue'
import MenuButton from '../../../parts/MenuButton.vue'
import ToolBar from '../../../parts/ToolBar.vue'
import { inText } from './inText.ts'
import { insertTable } from './tables.ts'

/** What can be done to the text at the caret. */
const props = defineProps<{
  editor: Editor
  /** Counts up with every step of the editor. */
  tick: number
}>()
const emit = defineEmits<{ link: []; picture: [] }>()

const BLOCKS = [
  { value: 'paragraph', label: 'Paragraph' },
  ...[2, 3, 4, 5, 6].map((level) => ({ value: `h${level}`, label: `Heading ${level}` })),
  { value: 'codeBlock', label: 'Code' },
]

const block = computed(() => {
  if (props.tick < 0) return ''
  if (props.editor.isActive('codeBlock')) return 'codeBlock'
  const level = [1, 2, 3, 4, 5, 6].find((one) => props.editor.isActive('heading', { level: one }))
  return level ? `h${level}` : 'paragraph'
})

function setBlock(value: string): void {
  const chain = inText(props.editor)
  if (value === 'codeBlock') chain.setCodeBlock().run()
  else if (value === 'paragraph') chain.setParagraph().run()
  else chain.setHeading({ level: Number(value.slice(1)) as 2 }).run()
}

/** A first-level heading is the page's own, and only shown where a text brings one. */
const entries = computed(() =>
  [...BLOCKS, ...(block.value === 'h1' ? [{ value: 'h1', label: 'Heading 1' }] : [])].map(
    ({ value, label }) => ({
      key: value,
      label,
      checked: value === block.value,
    }),
  ),
)

const kind = computed(() => entries.value.find(({ checked }) => checked)?.label ?? '')

function putTable(): void {
  const { state, view } = props.editor
  insertTable(state, view.dispatch)
  view.focus()
}

interface Tool {
  readonly words: string
  readonly key?: string
  readonly icon: Component
  /** The mark or node whose presence at the caret presses the button. */
  readonly of?: string
  readonly run: () => void
}

const chain = () => inText(props.editor)
const TOOLS: readonly Tool[] = [
  { words: 'Bold', key: 'Ctrl+B', icon: IconBold, of: 'bold', run: () => chain().toggleBold().run() },
  {
    words: 'Italic',
    key: 'Ctrl+I',
    icon: IconItalic,
    of: 'italic',
    run: () => chain().toggleItalic().run(),
  },
  { words: 'Code', key: 'Ctrl+E', icon: IconCode, of: 'code', run: () => chain().toggleCode().run() },
  { words: 'Link', key: 'Ctrl+K', icon: IconLink, of: 'link', run: () => emit('link') },
  { words: 'Picture', icon: IconPhoto, run: () => emit('picture') },
  { words: 'List', icon: IconList, of: 'bulletList', run: () => chain().toggleBulletList().run() },
  {
    words: 'Numbered list',
    icon: IconListNumbers,
    of: 'orderedList',
    run: () => chain().toggleOrderedList().run(),
  },
  { words: 'Quotation', icon: IconBlockquote, of: 'blockquote', run: () => chain().toggleBlockquote().run() },
  { words: 'Table', icon: IconTable, of: 'table', run: putTable },
  {
    words: 'Line break',
    key: 'Shift+Enter',
    icon: IconCornerDownLeft,
    run: () => chain().setHardBreak().run(),
  },
  { words: 'Horizontal line', icon: IconMinus, run: () => chain().setHorizontalRule().run() },
]
const isOn = ({ of }: Tool) => (of === undefined ? undefined : props.tick >= 0 && props.editor.isActive(of))
</script>

<template>
  <!-- A press of the mouse leaves the caret where it is: what is typed right after must not land on the button. -->
  <ToolBar class="tools" label="What the text is">
    <MenuButton
      class="kind"
      :label="`Kind of block: ${kind}`"
      :entries="entries"
      @mousedown.prevent
      @act="setBlock"
    >
      {{ kind }}
      <IconChevronDown width="14" height="14" aria-hidden="true" />
    </MenuButton>
    <IconButton
      v-for="tool in TOOLS"
      :key="tool.words"
      :icon="tool.icon"
      :class="{ on: isOn(tool) }"
      :title="tool.key ? `${tool.words} (${tool.key})` : tool.words"
      :label="tool.words"
      :aria-pressed="isOn(tool)"
      @mousedown.prevent
      @click="tool.run"
    />
  </ToolBar>
</template>

<style scoped>
.tools {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px;
  padding: 4px 8px;
  border-bottom: 1px solid var(--rule);
}

.tools :deep(.kind) {
  display: inline-flex;
  align-items: center;
  justify-content: space-between;
  gap: 4px;
  min-width: 104px;
  height: 28px;
  margin-right: 6px;
  padding: 0 8px;
  color: inherit;
  background: #fff;
  border: 1px solid #bdb79f;
  border-radius: 3px;
  font: inherit;
  cursor: pointer;
}

.on {
  background: #d5e3da;
  border-color: var(--pine);
}
</style>
