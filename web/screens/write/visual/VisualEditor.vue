<script setup lang="ts">
import { Editor } from '@tiptap/core'
import { addColumnAfter, addRowAfter, deleteColumn, deleteRow, deleteTable } from '@tiptap/pm/tables'
import type { Command } from '@tiptap/pm/state'
import { cleanPaste } from '@viatica/core/content/cleanPaste.ts'
import { keepSource } from '@viatica/core/content/keepSource.ts'
import { whereItLeads } from '@viatica/core/content/linksOfPage.ts'
import { lossesOf } from '@viatica/core/content/losses.ts'
import { ownLinksIn } from '@viatica/core/content/ownLinks.ts'
import { rewritten } from '@viatica/core/pointer/inHtml.ts'
import { readPointer } from '@viatica/core/pointer/pointer.ts'
import { Button, Input } from 'ant-design-vue'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { sitesApi } from '../../../api/sites.ts'
import { useOpenSite } from '../../../stores/openSite.ts'
import { useWriting } from '../../../stores/writing.ts'
import type { Insertion } from '../insertion.ts'
import { fromEditor } from './editorHtml.ts'
import { visualSchema } from './schema.ts'
import VisualTools from './VisualTools.vue'

/** Main content as it reads. What it would lose of a source is told, and that source is not opened here. */
const emit = defineEmits<{ link: []; picture: [] }>()

const openSite = useOpenSite()
const writing = useWriting()
const place = ref<HTMLElement>()
const editor = shallowRef<Editor>()
/** Counts up with every step of the editor: what it says of itself is no state of Vue's. */
const tick = ref(0)
const losses = ref<string[]>([])

/** The source that was opened, and what the editor wrote of it before anything was edited. */
let source = ''
let opened = ''

/** Where a picture is shown from: a file of the site from its preview. */
function sourceOf(src: string): string {
  const pointer = readPointer(src)
  const file = pointer && openSite.site!.files.get(pointer.id)
  return file ? sitesApi.pictureUrl(file) : pointer ? '' : src
}

function open(): void {
  editor.value?.destroy()
  source = writing.text
  const made = new Editor({
    element: place.value!,
    extensions: visualSchema(sourceOf),
    content: source,
    editorProps: {
      attributes: { 'aria-label': 'Main content', role: 'textbox', 'aria-multiline': 'true' },
      transformPastedHTML(html) {
        const clean = html.includes('data-pm-slice') ? html : cleanPaste(html)
        return writing.page ? rewritten(clean, ownLinksIn(openSite.site!, writing.page.id, clean)) : clean
      },
    },
    onTransaction: () => tick.value++,
    onUpdate: ({ editor: at }) => {
      if (losses.value.length === 0) writing.type(keepSource(source, opened, fromEditor(at.getHTML())))
    },
  })
  opened = fromEditor(made.getHTML())
  losses.value = lossesOf(source, opened)
  made.setEditable(losses.value.length === 0)
  editor.value = made
}

onMounted(open)
watch(() => writing.turn, open)
onBeforeUnmount(() => editor.value?.destroy())

const isIn = (name: string, attributes?: object) =>
  tick.value >= 0 && (editor.value?.isActive(name, attributes) ?? false)
const leads = computed(() => {
  if (!isIn('link')) return undefined
  const href = String(editor.value!.getAttributes('link')['href'] ?? '')
  return whereItLeads(openSite.site!, href) ?? { words: href, isThere: true }
})
const caption = computed(() =>
  isIn('table') ? String(editor.value!.getAttributes('table')['caption'] ?? '') : '',
)

const TABLE_STEPS: readonly (readonly [string, Command])[] = [
  ['Add a row', addRowAfter],
  ['Add a column', addColumnAfter],
  ['Remove the row', deleteRow],
  ['Remove the column', deleteColumn],
  ['Remove the table', deleteTable],
]

function run(command: Command): void {
  const { view, state } = editor.value!
  command(state, view.dispatch)
  view.focus()
}

function insert({ href, text, html }: Insertion): void {
  const chain = editor.value!.chain().focus()
  if (html !== undefined) chain.insertContent(html).run()
  else if (editor.value!.state.selection.empty && !isIn('link'))
    chain
      .insertContent([{ type: 'text', text, marks: [{ type: 'link', attrs: { href } }] }])
      .unsetMark('link')
      .run()
  else chain.extendMarkRange('link').setLink({ href: href! }).run()
}

/** Puts the caret into a heading, by its place among all headings. */
function show(at: number): void {
  let seen = -1
  editor.value?.state.doc.descendants((node, position) => {
    if (node.type.name !== 'heading' || ++seen !== at) return
    editor
      .value!.chain()
      .focus()
      .setTextSelection(position + 1)
      .scrollIntoView()
      .run()
  })
}

/** Gives a heading an id; the caret stays where it is. @param at its place among all headings */
function giveHeadingId(at: number, id: string): void {
  const { state, view } = editor.value!
  let seen = -1
  state.doc.descendants((node, position) => {
    if (node.type.name === 'heading' && ++seen === at)
      view.dispatch(state.tr.setNodeAttribute(position, 'id', id))
  })
}

const selected = () => {
  const { from, to } = editor.value!.state.selection
  return editor.value!.state.doc.textBetween(from, to, ' ')
}

defineExpose({ insert, giveHeadingId, show, selected })
</script>

<template>
  <div class="visual">
    <VisualTools
      v-if="editor && losses.length === 0"
      :editor="editor"
      :tick="tick"
      @link="emit('link')"
      @picture="emit('picture')"
    />
    <div v-if="losses.length > 0" class="losses" role="status">
      <p>Visual editing would remove:</p>
      <ul>
        <li v-for="loss in losses.slice(0, 12)" :key="loss">
          <code>{{ loss }}</code>
        </li>
      </ul>
      <p>So it is only shown here. Write it as its source.</p>
    </div>
    <div v-if="leads" class="leads">
      <span :class="{ dead: !leads.isThere }">→ {{ leads.words }}</span>
      <Button size="small" @click="emit('link')">Edit link</Button>
      <Button size="small" @click="editor!.chain().focus().extendMarkRange('link').unsetLink().run()"
        >Remove link</Button
      >
    </div>
    <div v-if="isIn('table')" class="leads">
      <Button v-for="[words, command] in TABLE_STEPS" :key="words" size="small" @click="run(command)">{{
        words
      }}</Button>
      <Input
        size="small"
        class="caption"
        aria-label="Caption of the table"
        placeholder="caption"
        :value="caption"
        @change="(event) => editor!.commands.updateAttributes('table', { caption: event.target.value ?? '' })"
      />
    </div>
    <div ref="place" class="text" :class="{ shown: losses.length > 0 }" />
  </div>
</template>

<style scoped>
.visual {
  display: flex;
  flex-direction: column;
  min-height: 0;
  background: var(--card);
  border: 1px solid var(--rule);
}

.losses {
  padding: 8px 14px;
  color: var(--brick);
  border-bottom: 1px solid var(--rule);
}

.losses p {
  margin: 0;
}

.losses ul {
  margin: 2px 0;
}

.leads {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  padding: 4px 10px;
  border-bottom: 1px solid var(--rule);
}

.dead {
  color: var(--brick);
}

.caption {
  width: 160px;
}

.text {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
}

.shown {
  opacity: 0.75;
}

.text :deep(.ProseMirror) {
  max-width: 44em;
  min-height: 100%;
  padding: 14px 22px 40px;
  font:
    16px/1.6 Barlow,
    system-ui,
    sans-serif;
}

.text :deep(.ProseMirror:focus) {
  outline: none;
}

.text:focus-within {
  outline: 2px solid var(--ink);
  outline-offset: -2px;
}

.text :deep(h2) {
  margin: 1em 0 0.3em;
  font-size: 22px;
}

.text :deep(h3) {
  margin: 1em 0 0.3em;
  font-size: 18px;
}

.text :deep(p),
.text :deep(ul),
.text :deep(ol),
.text :deep(dl) {
  margin: 0 0 0.7em;
}

.text :deep(dt) {
  font-weight: 600;
}

.text :deep(dd) {
  margin: 0 0 0.4em 1.4em;
}

.text :deep(blockquote) {
  margin: 0 0 0.7em;
  padding-left: 14px;
  border-left: 3px solid var(--moss);
}

.text :deep(figure) {
  margin: 0 0 0.8em;
}

.text :deep(img) {
  max-width: 100%;
  max-height: 260px;
}

.text :deep(figcaption) {
  color: var(--slate);
  font-style: italic;
}

.text :deep(table) {
  margin-bottom: 0.8em;
  border-collapse: collapse;
}

.text :deep(td),
.text :deep(th) {
  min-width: 3em;
  padding: 3px 9px;
  border: 1px solid var(--rule);
  text-align: left;
}

.text :deep(table[data-caption])::before {
  content: attr(data-caption);
  display: table-caption;
  color: var(--slate);
  text-align: left;
}

.text :deep(.selectedCell) {
  background: #e2ece4;
}
</style>
