<script setup lang="ts">
import IconAlertTriangle from '~icons/tabler/alert-triangle'
import type { ListLine } from '@viatica/core/formats/list.ts'
import { computed, nextTick, ref, useId } from 'vue'
import VirtualRows from '../VirtualRows.vue'

/** A pasted list beside the entries and addresses that it would make, with the warnings of each line. */
const props = defineProps<{
  lines: readonly ListLine[]
  paths: ReadonlyMap<string, string>
}>()
const text = defineModel<string>({ required: true })

const id = useId()
const editor = ref<HTMLTextAreaElement>()

const withWarnings = computed(() => props.lines.filter(({ warnings }) => warnings.length > 0))
const kept = computed(() => props.lines.filter((line) => line.id !== undefined).length)
const words = computed(() => {
  const count = withWarnings.value.length
  const warnings =
    count === 0 ? 'no problems' : count === 1 ? '1 line with a problem' : `${count} lines with problems`
  return `${kept.value === 1 ? '1 page' : `${kept.value} pages`}, ${warnings}`
})

function told({ warnings }: ListLine): string {
  return warnings.map(({ warning, line }) => (line === undefined ? warning : `${warning} ${line}`)).join('; ')
}

/** Puts the caret where a line can be corrected. */
function goTo({ number }: ListLine): void {
  const before = text.value.split('\n').slice(0, number - 1)
  const start = before.reduce((sum, line) => sum + line.length + 1, 0)
  const end = text.value.indexOf('\n', start)
  editor.value!.focus()
  editor.value!.setSelectionRange(start, end < 0 ? text.value.length : end)
}

function goToNextProblem(): void {
  const caret = text.value.slice(0, editor.value!.selectionStart).split('\n').length
  const next = withWarnings.value.find(({ number }) => number > caret) ?? withWarnings.value[0]
  if (next) goTo(next)
}

/** Tab and Shift Tab would leave the text; Alt with an arrow moves lines in and out instead. */
function press(event: KeyboardEvent): void {
  const isIn = event.key === 'ArrowRight'
  if (!event.altKey || (!isIn && event.key !== 'ArrowLeft')) return
  event.preventDefault()
  const { selectionStart, selectionEnd } = editor.value!
  const from = text.value.lastIndexOf('\n', selectionStart - 1) + 1
  const end = text.value.indexOf('\n', selectionEnd)
  const to = end < 0 ? text.value.length : end
  const moved = text.value
    .slice(from, to)
    .split('\n')
    .map((line) => (isIn ? `  ${line}` : line.replace(/^(\t| {1,2})/, '')))
    .join('\n')
  text.value = text.value.slice(0, from) + moved + text.value.slice(to)
  void nextTick(() => editor.value!.setSelectionRange(from, from + moved.length))
}
</script>

<template>
  <div class="editor">
    <div class="side">
      <label class="field-label" :for="id"> One page a line; indent a line to make it a subpage </label>
      <textarea
        :id="id"
        ref="editor"
        v-model="text"
        autofocus
        spellcheck="false"
        placeholder="Visit&#10;  Getting here&#10;  Opening times&#10;Walks&#10;&#10;Bullets, numbers, headings and rows of a spreadsheet will do as well."
        @keydown="press"
      />
    </div>
    <div class="side">
      <p class="sum" role="status">
        <span>{{ words }}</span>
        <button v-if="withWarnings.length > 0" type="button" class="link-button" @click="goToNextProblem">
          Next problem
        </button>
      </p>
      <VirtualRows v-slot="{ row }" class="lines" :rows="lines" :row-height="30" label="What the list makes">
        <div class="line" :class="{ left: row.id === undefined }">
          <span class="number">{{ row.number }}</span>
          <span class="title" :style="{ paddingLeft: `${(row.level - 1) * 16}px` }">
            {{ row.title || '(nothing)' }}
          </span>
          <button
            v-if="row.warnings.length > 0"
            type="button"
            class="warning"
            :title="told(row)"
            @click="goTo(row)"
          >
            <IconAlertTriangle width="14" height="14" aria-hidden="true" /> {{ told(row) }}
          </button>
          <code v-else-if="row.id">{{ paths.get(row.id) }}</code>
        </div>
      </VirtualRows>
    </div>
  </div>
</template>

<style scoped>
.editor {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: 16px;
  height: min(440px, calc(100vh - 300px));
}

.side {
  display: flex;
  flex-direction: column;
  min-height: 0;
}

textarea {
  flex: 1;
  padding: 8px 10px;
  color: inherit;
  background: #fff;
  border: 1px solid #bdb79f;
  border-radius: 3px;
  font: 13px/1.5 var(--mono);
  resize: none;
  tab-size: 4;
  white-space: pre;
}

textarea::placeholder {
  color: #6b7a79;
}

.sum {
  display: flex;
  justify-content: space-between;
  margin: 0 0 3px;
  color: var(--slate);
  font-size: 13px;
  font-weight: 500;
}

.lines {
  flex: 1;
  background: #fff;
  border: 1px solid var(--rule);
}

.line {
  display: flex;
  align-items: center;
  gap: 8px;
  height: 30px;
  padding: 0 10px 0 4px;
  border-bottom: 1px solid #eee9da;
}

.number {
  flex: none;
  width: 34px;
  color: var(--slate);
  font: 11px var(--mono);
  text-align: right;
}

.title {
  flex: 1 0 40%;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.left .title {
  color: var(--slate);
  text-decoration: line-through;
}

.line code,
.warning {
  overflow: hidden;
  flex: 0 1 auto;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.line code {
  color: var(--slate);
}

.warning {
  padding: 0;
  color: var(--brick);
  background: none;
  border: 0;
  font: inherit;
  font-size: 12.5px;
  cursor: pointer;
}

.warning svg {
  vertical-align: -2px;
}

.warning:hover {
  text-decoration: underline;
}

@media (max-width: 820px) {
  .editor {
    grid-template-columns: minmax(0, 1fr);
    height: auto;
  }
}
</style>
