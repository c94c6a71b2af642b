<script setup lang="ts">
import { useTimeoutFn } from '@vueuse/core'
import {
  autocompletion,
  closeBrackets,
  closeBracketsKeymap,
  completionKeymap,
} from '@codemirror/autocomplete'
import { defaultKeymap, history, historyKeymap, indentWithTab } from '@codemirror/commands'
import { html } from '@codemirror/lang-html'
import { bracketMatching, syntaxHighlighting } from '@codemirror/language'
import { linter, lintGutter, lintKeymap, nextDiagnostic } from '@codemirror/lint'
import { EditorState, Transaction } from '@codemirror/state'
import { drawSelection, EditorView, highlightActiveLine, keymap, lineNumbers } from '@codemirror/view'
import { cleanPaste } from '@viatica/core/content/paste/cleanPaste.ts'
import { headingsOf } from '@viatica/core/content/headings.ts'
import { bodyOf, isDocument } from '@viatica/core/content/paste/copied.ts'
import { ownLinksIn } from '@viatica/core/content/ownLinks.ts'
import { rewritten } from '@viatica/core/pointer/inHtml.ts'
import { diffLines } from 'diff'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { isTouched } from '../../../parts/focus.ts'
import { useOpenSite } from '../../../stores/openSite.ts'
import { useWriting } from '../../../stores/writing.ts'
import { broughtFiles } from '../broughtFiles.ts'
import { placeAsked } from '../placeAsked.ts'
import { sourceColours } from './colours.ts'
import { diagnosticsOf } from './htmlLint.ts'
import { completePointer, leadingTo } from './pointers.ts'

/** Main content as its source. */
const emit = defineEmits<{ files: [files: readonly File[]] }>()

const route = useRoute()
const openSite = useOpenSite()
const writing = useWriting()
const place = ref<HTMLElement>()
let view: EditorView | undefined

const siteNow = () => openSite.shown

/** Typed paths that belong to a page of the site become pointers to it, once the caret has left them. */
function pointOwnLinks(): void {
  const page = writing.page
  if (!view || !page) return
  const source = view.state.doc.toString()
  const { head } = view.state.selection.main
  const hasFocus = view.hasFocus
  const changes = ownLinksIn(siteNow(), page.id, source)
    .filter(({ start, end }) => !hasFocus || head < start || head > end)
    .map(({ start, end, text }) => ({ from: start, to: end, insert: text }))
  if (changes.length > 0) view.dispatch({ changes })
}

/** Longer than between two strokes of a key. */
const SETTLED_MS = 600
const settling = useTimeoutFn(pointOwnLinks, SETTLED_MS, { immediate: false })
const follow = EditorView.updateListener.of((update) => {
  if (update.docChanged) writing.type(update.state.doc.toString())
  if (update.docChanged || update.selectionSet || update.focusChanged) settling.start()
})

/** What comes from a word processor or a web page comes in clean; plain text as it is. */
const pasteClean = EditorView.domEventHandlers({
  // The editor takes files: elsewhere the application refuses them.
  dragover(event) {
    if (event.dataTransfer?.types.includes('Files')) event.preventDefault()
  },
  drop(event, at) {
    const files = broughtFiles(event.dataTransfer)
    if (files.length === 0) return false
    event.preventDefault()
    const place = at.posAtCoords({ x: event.clientX, y: event.clientY })
    if (place !== null) at.dispatch({ selection: { anchor: place } })
    emit('files', files)
    return true
  },
  paste(event, at) {
    const files = broughtFiles(event.clipboardData)
    if (files.length > 0) {
      event.preventDefault()
      emit('files', files)
      return true
    }
    const text = event.clipboardData?.getData('text/plain') ?? ''
    // Of a whole document, only the body is main content.
    if (isDocument(text)) {
      event.preventDefault()
      at.dispatch(at.state.replaceSelection(bodyOf(text)), { userEvent: 'input.paste' })
      return true
    }
    const pasted = event.clipboardData?.getData('text/html')
    if (!pasted || !/<(p|h\d|ul|ol|table|a|b|strong|div|span)\b/i.test(pasted)) return false
    // Out of another source, tags come as text: they are meant as they stand.
    if (text.trimStart().startsWith('<')) return false
    event.preventDefault()
    const clean = cleanPaste(pasted)
    const links = writing.page ? ownLinksIn(siteNow(), writing.page.id, clean) : []
    at.dispatch(at.state.replaceSelection(rewritten(clean, links)), { userEvent: 'input.paste' })
    return true
  },
})

/** One object for good: another would be asked anew each time. */
const completing = [{ autocomplete: completePointer(siteNow) }]

const extensions = [
  lineNumbers(),
  lintGutter(),
  history(),
  drawSelection(),
  highlightActiveLine(),
  // The editor does not type over a closing tag that it inserted: an author who types it would get it twice.
  html({ selfClosingTags: false, autoCloseTags: false }),
  bracketMatching(),
  closeBrackets(),
  syntaxHighlighting(sourceColours),
  autocompletion(),
  EditorState.languageData.of(() => completing),
  leadingTo(siteNow),
  linter((at) => diagnosticsOf(at.state.doc.toString()), { delay: 300 }),
  pasteClean,
  follow,
  EditorView.lineWrapping,
  EditorView.contentAttributes.of({ 'aria-label': 'Source of the main content', spellcheck: 'false' }),
  // Tab indents; Escape before it leaves the editor, as CodeMirror has it for access.
  keymap.of([
    ...closeBracketsKeymap,
    ...defaultKeymap,
    ...historyKeymap,
    ...completionKeymap,
    ...lintKeymap,
    indentWithTab,
    { key: 'F8', run: nextDiagnostic },
  ]),
]

const stateOf = (doc: string) => EditorState.create({ doc, extensions })

onMounted(() => {
  view = new EditorView({ parent: place.value!, state: stateOf(writing.text) })
  view.scrollDOM.tabIndex = 0
  const at = placeAsked(route.query, writing.text)
  if (at !== undefined) show(at)
  else if (!isTouched()) view.focus()
})
watch(
  () => writing.turn,
  () => {
    const doc = view?.state.doc.toString()
    if (doc !== writing.text) view?.setState(stateOf(writing.text))
  },
)
watch(
  () => writing.arrived,
  () => {
    if (!view) return
    const { state } = view
    // As the editor has it, every line ends in one character.
    const next = state.toText(writing.text).toString()
    let at = 0
    const changes: { from: number; to: number; insert: string }[] = []
    for (const { added, removed, value } of diffLines(state.doc.toString(), next)) {
      if (added) changes.push({ from: at, to: at, insert: value })
      else if (removed) changes.push({ from: at, to: at + value.length, insert: '' })
      if (!added) at += value.length
    }
    // What others wrote is not taken back by the keys of this editor.
    view.dispatch({ changes, annotations: Transaction.addToHistory.of(false) })
  },
)
// Where links lead changes with the plan.
watch(
  () => openSite.site,
  () => view?.dispatch({}),
)
onBeforeUnmount(() => {
  settling.stop()
  view?.destroy()
})

/** Puts text in the place of what is selected. @param wrap given what is selected, what to write */
function insert(wrap: (selected: string) => string): void {
  if (!view) return
  const { from, to } = view.state.selection.main
  view.dispatch(view.state.replaceSelection(wrap(view.state.sliceDoc(from, to))))
  view.focus()
}

/** Gives a heading an id; the caret stays where it is. @param at its place among all headings */
function giveHeadingId(at: number, id: string): void {
  const heading = headingsOf(view!.state.doc.toString())[at]
  // After the “<” and the name of the element.
  if (heading) view!.dispatch({ changes: { from: heading.start + 3, insert: ` id="${id}"` } })
}

/** Brings a place of the source into sight and puts the caret there. */
function show(start: number): void {
  view?.dispatch({ selection: { anchor: start }, effects: EditorView.scrollIntoView(start, { y: 'center' }) })
  view?.focus()
}

const selected = () => {
  const { from, to } = view!.state.selection.main
  return view!.state.sliceDoc(from, to)
}

defineExpose({ insert, giveHeadingId, show, selected })
</script>

<template>
  <div ref="place" class="source" />
</template>

<style scoped>
.source {
  min-height: 0;
  overflow: hidden;
  background: var(--card);
  border: 1px solid var(--rule);
}

.source :deep(.cm-editor) {
  height: 100%;
}

.source :deep(.cm-scroller) {
  font: 13px/1.6 var(--mono);
}

.source :deep(.cm-gutters) {
  color: var(--slate);
  background: var(--paper);
  border-right: 1px solid var(--rule);
}

.source :deep(.cm-activeLine) {
  background: rgb(31 90 76 / 6%);
}

.source :deep(.cm-focused) {
  outline: 2px solid var(--ink);
  outline-offset: -2px;
}

.source :deep(.leads-to) {
  margin: 0 4px;
  padding: 0 4px;
  color: var(--pine);
  background: #e2ece4;
  border-radius: 2px;
  font:
    12px Barlow,
    system-ui,
    sans-serif;
}

.source :deep(.dead) {
  color: var(--brick);
  background: #f5dfd9;
}
</style>
