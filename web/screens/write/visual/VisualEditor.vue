<script setup lang="ts">
import { Editor, type JSONContent } from '@tiptap/core'
import type { Node } from '@tiptap/pm/model'
import { NodeSelection, Selection } from '@tiptap/pm/state'
import { keepSource, placeOfSource } from '@viatica/core/content/keepSource.ts'
import { whereItLeads } from '@viatica/core/content/linksOfPage.ts'
import { ownLinksIn } from '@viatica/core/content/ownLinks.ts'
import { cleanPaste } from '@viatica/core/content/paste/cleanPaste.ts'
import { isDocument } from '@viatica/core/content/paste/copied.ts'
import type { DocNode } from '@viatica/core/content/visual/document.ts'
import { sourcesOf } from '@viatica/core/content/blocks.ts'
import { readVisual } from '@viatica/core/content/visual/read.ts'
import { writeBlocks } from '@viatica/core/content/visual/write.ts'
import { rewritten } from '@viatica/core/pointer/inHtml.ts'
import { readPointer } from '@viatica/core/pointer/pointer.ts'
import { itemAt } from '@viatica/core/standard/present.ts'
import { Button } from 'ant-design-vue'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { sitesApi } from '../../../api/sites.ts'
import { useRoute } from 'vue-router'
import HtmlDialog from '../../../parts/HtmlDialog.vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import { useWriting } from '../../../stores/writing.ts'
import { isTouched } from '../../../parts/focus.ts'
import { broughtFiles } from '../broughtFiles.ts'
import { computedName, isPartOfLine } from '../computedParts.ts'
import { type Insertion, type Picture, pictureHtml } from '../insertion.ts'
import { placeAsked } from '../placeAsked.ts'
import { copiedSlice, rememberCopied } from './clipboard.ts'
import { inText } from './inText.ts'
import { writingKeys } from './keys.ts'
import { editPicture, pictureAt, type PlacedPicture, removePicture } from './pictures.ts'
import { withOthersBlocks } from './othersBlocks.ts'
import { visualSchema } from './schema.ts'
import TableTools from './TableTools.vue'
import VisualTools from './VisualTools.vue'

/** Main content as it reads. What the editor has no way to hold stands in it as a block with its own HTML. */
const emit = defineEmits<{ link: []; picture: [edited?: Picture]; files: [files: readonly File[]] }>()

const route = useRoute()
const openSite = useOpenSite()
const writing = useWriting()
const place = ref<HTMLElement>()
const editor = shallowRef<Editor>()
/** Counts up with every step of the editor: what it says of itself is no state of Vue's. */
const tick = ref(0)
/** What is kept as HTML and is being edited: where it stands. */
const editedHtml = ref<{ readonly at: number; readonly html: string }>()
let editedPicture: PlacedPicture | undefined

/** The source that was opened, and what the editor wrote of it before anything was edited. */
let source = ''
let opened: string[] = []
/** The source as the editor shows it now. */
let shown = ''

/** Where a picture is shown from: a file of the site from its preview. */
function sourceOf(src: string): string {
  const pointer = readPointer(src)
  const file = pointer && openSite.shown.files.get(pointer.id)
  return file ? sitesApi.pictureUrl(file) : pointer ? '' : src
}

function clean(pasted: string): string {
  const html = cleanPaste(pasted)
  return writing.page ? rewritten(html, ownLinksIn(openSite.shown, writing.page.id, html)) : html
}

const blocksNow = (at: Editor) => writeBlocks(at.state.doc.toJSON() as DocNode)

function open(): void {
  editor.value?.destroy()
  source = shown = writing.text
  const made = new Editor({
    element: place.value!,
    extensions: [...visualSchema({ sourceOf, editKept: editHtml }), writingKeys],
    content: readVisual(source) as JSONContent,
    editorProps: {
      attributes: { 'aria-label': 'Main content', role: 'textbox', 'aria-multiline': 'true' },
      transformCopied: rememberCopied,
      transformPastedHTML: clean,
      handlePaste(view, event) {
        const files = broughtFiles(event.clipboardData)
        if (files.length > 0) {
          bring(files)
          return true
        }
        const own = copiedSlice(event.clipboardData, view.state.schema)
        if (own) view.dispatch(view.state.tr.replaceSelection(own).scrollIntoView())
        const text = event.clipboardData?.getData('text/plain') ?? ''
        if (!own && !isDocument(text)) return false
        // A whole document that was copied as its source gives what stands in its body.
        if (!own) insertNodes(clean(text))
        return true
      },
      handleDrop(view, event, _slice, isMoved) {
        // A picture that is dragged within the text comes as a file, too.
        const files = isMoved || view.dragging ? [] : broughtFiles(event.dataTransfer)
        if (files.length === 0) return false
        const at = view.posAtCoords({ left: event.clientX, top: event.clientY })
        if (at) view.dispatch(view.state.tr.setSelection(Selection.near(view.state.doc.resolve(at.pos))))
        bring(files)
        event.preventDefault()
        return true
      },
      handleDoubleClickOn(_view, _at, node) {
        if (node.type.name !== 'image' && node.type.name !== 'figureImage') return false
        changePicture()
        return true
      },
    },
    onTransaction: () => tick.value++,
    onUpdate({ editor: at }) {
      shown = keepSource(source, opened, blocksNow(at))
      writing.type(shown)
    },
  })
  opened = blocksNow(made)
  editor.value = made
}

onMounted(() => {
  open()
  const at = placeAsked(route.query, source)
  if (at !== undefined) goTo(at)
  else if (!isTouched()) editor.value!.view.focus()
})
watch(() => writing.turn, open)
watch(
  () => writing.arrived,
  () => {
    const { view, state, schema } = editor.value!
    const next = schema.nodeFromJSON(readVisual(writing.text))
    const tr = withOthersBlocks(state, next, sourcesOf(shown), sourcesOf(writing.text))
    source = shown = writing.text
    opened = writeBlocks(tr.doc.toJSON() as DocNode)
    view.dispatch(tr)
  },
)
onBeforeUnmount(() => editor.value?.destroy())

const isIn = (name: string, attributes?: object) =>
  tick.value >= 0 && (editor.value?.isActive(name, attributes) ?? false)
const leads = computed(() => {
  if (!isIn('link')) return undefined
  const href = String(editor.value!.getAttributes('link')['href'] ?? '')
  return whereItLeads(openSite.shown, href) ?? { words: href, isThere: true }
})
const placed = computed(() => (tick.value >= 0 && editor.value ? pictureAt(editor.value.state) : undefined))
const keptAt = computed(() => {
  if (tick.value < 0 || !editor.value) return undefined
  const { selection } = editor.value.state
  const isKept = selection instanceof NodeSelection && selection.node.type.name.startsWith('kept')
  return isKept ? selection.from : undefined
})

const keptHtml = computed(() =>
  keptAt.value === undefined ? '' : String(editor.value!.state.doc.nodeAt(keptAt.value)?.attrs['html'] ?? ''),
)

/** Puts HTML where the caret is: a line into the line, blocks between blocks. */
function insertNodes(html: string): void {
  const { content = [] } = readVisual(html)
  const [first] = content
  const isLine = content.length === 1 && first!.type === 'paragraph' && first!.attrs?.['wrapped'] === 'bare'
  const nodes = isLine ? first!.content : content
  inText(editor.value!)
    .insertContent(nodes as object[])
    .run()
}

function insert({ href, text, picture, computed: part }: Insertion): void {
  if (part !== undefined && isPartOfLine(part))
    inText(editor.value!)
      .insertContent({ type: 'keptInline', attrs: { html: part } })
      .run()
  else if (part !== undefined) insertNodes(part)
  else if (picture && editedPicture) {
    const { view, state } = editor.value!
    view.dispatch(editPicture(state.tr, editedPicture, picture))
    view.focus()
  } else if (picture) insertNodes(pictureHtml(picture))
  else {
    const chain = inText(editor.value!)
    if (editor.value!.state.selection.empty && !isIn('link'))
      chain
        .insertContent([{ type: 'text', text, marks: [{ type: 'link', attrs: { href } }] }])
        .unsetMark('link')
        .run()
    else chain.extendMarkRange('link').setLink({ href: href! }).run()
  }
}

/** Asks for a picture: a new one, or other values for the one that is chosen. */
function changePicture(): void {
  editedPicture = placed.value
  emit('picture', editedPicture?.picture)
}

/** Asks for each of the pictures that came from the author's computer. */
function bring(files: readonly File[]): void {
  editedPicture = undefined
  emit('files', files)
}

function askPicture(): void {
  editedPicture = undefined
  emit('picture')
}

function takeOutPicture(): void {
  const { view, state } = editor.value!
  view.dispatch(removePicture(state.tr, placed.value!))
  view.focus()
}

function editHtml(at: number): void {
  const node = editor.value!.state.doc.nodeAt(at)
  if (node) editedHtml.value = { at, html: String(node.attrs['html']) }
}

/** Puts other HTML in the place of what was kept; what the editor can hold of it is text from now on. */
async function applyHtml(html: string): Promise<void> {
  const { at } = editedHtml.value!
  editedHtml.value = undefined
  // Behind a dialog, the text takes no focus.
  await nextTick()
  const { view, state } = editor.value!
  const { schema } = state
  const node = state.doc.nodeAt(at)!
  const { content = [] } = readVisual(html)
  const isLine = content.length === 1 && itemAt(content, 0).type === 'paragraph'
  const nodes = node.isInline
    ? isLine
      ? (itemAt(content, 0).content ?? [])
      : [{ type: 'keptInline', attrs: { html } }]
    : content
  const isNothing = html.trim() === ''
  const made: Node[] = isNothing ? [] : nodes.map((one) => schema.nodeFromJSON(one))
  view.dispatch(state.tr.replaceWith(at, at + node.nodeSize, made))
  view.focus()
}

const removeKept = () => inText(editor.value!).deleteSelection().run()

/** Puts the caret into a heading, by its place among all headings. */
function show(at: number): void {
  let seen = -1
  editor.value?.state.doc.descendants((node, position) => {
    if (node.type.name !== 'heading' || ++seen !== at) return
    inText(editor.value!)
      .setTextSelection(position + 1)
      .run()
  })
}

/** Puts the caret to a place of the source: into its block, at the words that stand there. */
function goTo(start: number): void {
  const { state } = editor.value!
  const place = placeOfSource(source, start)
  let top = 0
  for (let n = 0; n < Math.min(place.block, state.doc.childCount - 1); n++) top += state.doc.child(n).nodeSize
  const block = state.doc.nodeAt(top)!
  let at = block.isAtom ? undefined : top + 1
  block.descendants((node, offset) => {
    const words = node.isText ? node.text!.indexOf(place.words) : -1
    if (words >= 0 && place.words !== '') at = top + 1 + offset + words
    return words < 0
  })
  const chain = inText(editor.value!)
  ;(at === undefined ? chain.setNodeSelection(top) : chain.setTextSelection(at)).run()
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
      v-if="editor"
      :editor="editor"
      :tick="tick"
      @link="emit('link')"
      @picture="placed ? changePicture() : askPicture()"
    />
    <div v-if="leads" class="leads">
      <span :class="{ dead: !leads.isThere }">→ {{ leads.words }}</span>
      <Button size="small" @click="emit('link')">Edit link</Button>
      <Button size="small" @click="inText(editor!).extendMarkRange('link').unsetLink().run()"
        >Remove link</Button
      >
    </div>
    <div v-if="placed" class="leads">
      <span>{{ placed.picture.alt || 'Decorative image' }}</span>
      <Button size="small" @click="changePicture">Edit picture</Button>
      <Button size="small" @click="takeOutPicture">Remove picture</Button>
    </div>
    <div v-if="keptAt !== undefined" class="leads">
      <span>{{ computedName(keptHtml) ?? 'Kept as HTML' }}</span>
      <Button size="small" @click="editHtml(keptAt)">Edit HTML</Button>
      <Button size="small" @click="removeKept">Remove</Button>
    </div>
    <TableTools v-if="isIn('table')" :editor="editor!" :tick="tick" />
    <div ref="place" class="text" />
    <HtmlDialog
      v-if="editedHtml"
      title="Edit HTML"
      label="HTML of this block. Left empty, the block is removed."
      :html="editedHtml.html"
      @apply="applyHtml"
      @close="editedHtml = undefined"
    />
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

.text {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
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

.text :deep(td p:last-child),
.text :deep(th p:last-child),
.text :deep(li p:last-child) {
  margin-bottom: 0;
}

.text :deep(.ProseMirror-selectednode) {
  outline: 2px solid var(--ochre);
  outline-offset: 1px;
}

.text :deep(.box) {
  margin: 0 0 0.8em;
  padding: 2px 0 0 12px;
  border-left: 2px dotted #bdb79f;
}

.text :deep(.box)::before,
.text :deep(.kept-name) {
  color: var(--slate);
  font:
    12px 'IBM Plex Mono',
    monospace;
}

.text :deep(.box)::before {
  content: attr(data-tag);
  display: block;
}

.text :deep(.box-label) {
  font-weight: 600;
}

.text :deep(.kept) {
  background: #f0ede2;
  border: 1px dashed #a49d85;
  border-radius: 3px;
  cursor: default;
}

.text :deep(.kept-inline) {
  padding: 0 5px;
}

.text :deep(.kept-block) {
  display: flex;
  align-items: center;
  gap: 10px;
  margin: 0 0 0.8em;
  padding: 5px 10px;
  font-size: 14px;
}

.text :deep(.kept-words) {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.text :deep(.kept-block button) {
  min-height: 26px;
  padding: 0 8px;
  color: inherit;
  background: #fff;
  border: 1px solid #bdb79f;
  border-radius: 3px;
  font:
    13px Barlow,
    system-ui,
    sans-serif;
  cursor: pointer;
}

.text :deep(.other) {
  border-bottom: 1px dotted #a49d85;
}

.text :deep(.ProseMirror-gapcursor) {
  position: relative;
  display: block;
  height: 0;
}

.text :deep(.ProseMirror-gapcursor)::after {
  content: '';
  position: absolute;
  top: -3px;
  width: 22px;
  border-top: 2px solid var(--ink);
}
</style>
