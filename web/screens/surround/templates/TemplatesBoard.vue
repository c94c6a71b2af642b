<script setup lang="ts">
import { labelOf } from '@viatica/core/plan/entry.ts'
import { entryOf } from '@viatica/core/plan/plan.ts'
import { isWritten } from '@viatica/core/plan/site.ts'
import type { Override, TemplatePart } from '@viatica/core/plan/surround/templates.ts'
import {
  dropOverride,
  setTemplateOf,
  setTemplateText,
  type TextRun,
  textRuns,
} from '@viatica/core/shape/templateEdits.ts'
import { withLineEndsOf, withPlainLineEnds } from '@viatica/core/standard/lineEnds.ts'
import { canBeEdited, sourceOfBits } from '@viatica/core/template/partSource.ts'
import { createTemplateWriter } from '@viatica/core/template/write.ts'
import { Button, Textarea } from 'ant-design-vue'
import { computed, ref, shallowRef } from 'vue'
import ChoiceField from '../../../parts/ChoiceField.vue'
import ModalDialog from '../../../parts/ModalDialog.vue'
import BeforeAfter from '../../../parts/ripple/BeforeAfter.vue'
import { useChosen } from '../../../stores/chosen.ts'
import { useOpenSite } from '../../../stores/openSite.ts'
import { partWords } from './partWords.ts'

/** The template that the chosen page is made with: its HTML and holes, and what the page has in their place. */
const openSite = useOpenSite()
const chosen = useChosen()

const site = computed(() => openSite.site!)
const templates = computed(() => site.value.surround.templates!)
const writer = computed(() => createTemplateWriter(site.value, templates.value))
const page = computed(() => {
  const entry = site.value.plan.entries.get(chosen.id)
  return isWritten(site.value, entry) ? entry.id : site.value.plan.home
})
const template = computed(() => writer.value.templateOf(page.value))
const madeWith = computed(
  () =>
    [...site.value.plan.entries.values()].filter(
      (entry) => entry.kind === 'page' && writer.value.templateOf(entry.id).id === template.value.id,
    ).length,
)
const choices = computed(() => templates.value.templates.map(({ id, name }) => ({ value: id, label: name })))

type Row =
  | { readonly run: TextRun; readonly source: string; readonly excerpt: string }
  | { readonly hole: TemplatePart }
/** The template from its beginning to its end. Blanks between two holes need no row of their own. */
const rows = computed(() => {
  const runs = new Map(textRuns(template.value).map((run) => [run.from, run]))
  return template.value.parts.flatMap((part, at): Row[] => {
    if (part.kind !== 'text') return [{ hole: part }]
    const run = runs.get(at)
    const source = run?.texts.map(sourceOfBits).join('') ?? ''
    if (!run || source.trim() === '') return []
    return [{ run, source, excerpt: source.replace(/\s+/g, ' ').trim().slice(0, 80) }]
  })
})

interface Kept {
  readonly override: Override
  readonly names: string
  readonly now: string
  readonly would: string
}
/** What the page keeps in the place of what its template says; what no rule explains is not to be brought into line. */
const kept = computed(() =>
  writer.value.pieces(page.value).flatMap((piece): Kept[] => {
    if (!piece.kept || piece.kept.over !== undefined) return []
    if (piece.parts.length > 0 && piece.parts.every(({ kind }) => kind === 'own' || kind === 'content'))
      return []
    return [
      {
        override: piece.kept,
        names: [...new Set(piece.parts.map(partWords))].join(', ') || 'More HTML',
        now: piece.text,
        would: piece.parts.map((part) => writer.value.part(page.value, part)).join(''),
      },
    ]
  }),
)

const make = (change: ReturnType<typeof setTemplateOf>) => change && openSite.makeOrTell(change)

/** The texts that are being edited. */
const editing = shallowRef<TextRun>()
const source = ref('')
function edit(run: TextRun, now: string): void {
  source.value = withPlainLineEnds(now)
  editing.value = run
}
function apply(): void {
  const run = editing.value!
  editing.value = undefined
  const before = run.texts.map(sourceOfBits).join('')
  make(setTemplateText(site.value, template.value.id, run, withLineEndsOf(before, source.value)))
}
</script>

<template>
  <section class="templates" aria-labelledby="template-heading">
    <h2 id="template-heading">Template</h2>
    <label class="field-label" for="template-choice">
      Template of “{{ labelOf(entryOf(site.plan, page)) }}”
    </label>
    <ChoiceField
      id="template-choice"
      :value="template.id"
      :options="choices"
      @change="(id: string) => make(setTemplateOf(site, page, id))"
    />
    <p class="quiet">
      {{ madeWith === 1 ? 'Only this page uses it.' : `${madeWith} pages use it.` }} HTML that you edit here
      changes on all of them.
    </p>
    <ol class="parts" aria-label="Parts of the template">
      <li v-for="(row, n) in rows" :key="n" :class="'run' in row ? 'text' : 'hole'">
        <template v-if="'run' in row">
          <code :title="row.excerpt">{{ row.excerpt }}</code>
          <Button
            size="small"
            :disabled="!row.run.texts.every(canBeEdited)"
            :aria-label="`Edit HTML: ${row.excerpt.slice(0, 40)}`"
            @click="edit(row.run, row.source)"
          >
            Edit
          </Button>
        </template>
        <template v-else>{{ partWords(row.hole) }}</template>
      </li>
    </ol>
    <template v-if="kept.length > 0">
      <h3>Different on this page</h3>
      <ul class="kept">
        <li v-for="(one, n) in kept" :key="n">
          <div class="row">
            <b>{{ one.names }}</b>
            <Button
              size="small"
              :aria-label="`Bring into line: ${one.names}`"
              @click="make(dropOverride(site, page, one.override))"
            >
              Bring into line
            </Button>
          </div>
          <BeforeAfter :before="one.now" :after="one.would" :names="['now', 'in line']" stacked />
        </li>
      </ul>
    </template>
    <ModalDialog :open="editing !== undefined" wide title="HTML of the template" @close="editing = undefined">
      <p class="quiet">
        Links to pages and files of the site stand as <code>entry:…</code> and <code>site-file:…</code>: on
        each page they get the address that is right there.
      </p>
      <Textarea v-model:value="source" class="source" :rows="14" aria-label="HTML" spellcheck="false" />
      <template #buttons>
        <Button @click="editing = undefined">Cancel</Button>
        <Button type="primary" @click="apply">Apply</Button>
      </template>
    </ModalDialog>
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 8px;
  font-size: 17px;
}

h3 {
  margin: 14px 0 6px;
  font-size: 15px;
}

.parts,
.kept {
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

.hole {
  background: #e2efe8;
  font-weight: 500;
}

.parts .hole {
  border-left-color: var(--pine);
}

.kept li {
  padding: 6px 0;
  border-top: 1px solid var(--rule);
}

.row {
  display: flex;
  gap: 8px;
  align-items: center;
  justify-content: space-between;
}

.source {
  font: 12px/1.5 var(--mono);
}
</style>
