<script setup lang="ts">
import type { Surround } from '@viatica/core/plan/surround/surround.ts'
import type { TemplatePart } from '@viatica/core/plan/surround/templates.ts'
import { type TextRun, textRuns } from '@viatica/core/shape/templateEdits.ts'
import { withLineEndsOf, withPlainLineEnds } from '@viatica/core/standard/lineEnds.ts'
import { canBeEdited, sourceOfBits } from '@viatica/core/template/partSource.ts'
import { Button } from 'ant-design-vue'
import { computed, shallowRef } from 'vue'
import HtmlDialog from '../../../parts/HtmlDialog.vue'
import { partWords } from './partWords.ts'

/** The author's HTML from its beginning to its end, with its holes; its texts can be edited. */
const props = defineProps<{ parts: readonly TemplatePart[]; name: string; surround: Surround }>()
const emit = defineEmits<{ edit: [run: TextRun, source: string]; pattern: [part: TemplatePart] }>()

type Row =
  | { readonly run: TextRun; readonly source: string; readonly excerpt: string }
  | { readonly hole: TemplatePart }
/** Blanks between two holes need no row of their own. */
const rows = computed(() => {
  const runs = new Map(textRuns({ parts: [...props.parts] }).map((run) => [run.from, run]))
  return props.parts.flatMap((part, at): Row[] => {
    if (part.kind !== 'text') return [{ hole: part }]
    const run = runs.get(at)
    const source = run?.texts.map(sourceOfBits).join('') ?? ''
    if (!run || source.trim() === '') return []
    return [{ run, source, excerpt: source.replace(/\s+/g, ' ').trim().slice(0, 80) }]
  })
})

/** The texts that are being edited. */
const editing = shallowRef<{ readonly run: TextRun; readonly source: string }>()
function edit(run: TextRun, now: string): void {
  editing.value = { run, source: withPlainLineEnds(now) }
}
function apply(source: string): void {
  const { run } = editing.value!
  editing.value = undefined
  const before = run.texts.map(sourceOfBits).join('')
  emit('edit', run, withLineEndsOf(before, source))
}
</script>

<template>
  <ol class="parts" :aria-label="name">
    <li v-for="(row, n) in rows" :key="n" :class="'run' in row ? 'text' : 'hole'">
      <template v-if="'run' in row">
        <code :title="row.excerpt">{{ row.excerpt }}</code>
        <Button
          size="small"
          :disabled="!row.run.texts.every((bits) => canBeEdited(bits))"
          :aria-label="`Edit HTML: ${row.excerpt.slice(0, 40)}`"
          @click="edit(row.run, row.source)"
        >
          Edit
        </Button>
      </template>
      <template v-else>
        <span class="hole-name">{{ partWords(row.hole, surround) }}</span>
        <Button
          v-if="'pattern' in row.hole"
          size="small"
          :aria-label="`Edit HTML of: ${partWords(row.hole, surround)}`"
          @click="emit('pattern', row.hole)"
        >
          Edit
        </Button>
      </template>
    </li>
  </ol>
  <HtmlDialog
    v-if="editing"
    title="HTML of the template"
    label="HTML"
    :html="editing.source"
    @apply="apply"
    @close="editing = undefined"
  >
    Links to pages and files of the site are written <code>entry:…</code> and <code>site-file:…</code>, and
    what is included <code>included:…</code>. Each page gets its own addresses for them.
  </HtmlDialog>
</template>

<style scoped>
.parts {
  display: grid;
  gap: 3px;
  margin: 0;
  padding: 0;
  list-style: none;
}

.parts li {
  display: flex;
  gap: 6px;
  align-items: center;
  min-width: 0;
  min-height: 26px;
  padding: 1px 6px 1px 8px;
  border-left: 4px solid var(--rule);
}

.parts code {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  color: var(--slate);
  text-overflow: ellipsis;
  white-space: nowrap;
}

.hole-name {
  flex: 1;
}

.hole {
  background: #e2efe8;
  font-weight: 500;
}

.parts .hole {
  border-left-color: var(--pine);
}
</style>
