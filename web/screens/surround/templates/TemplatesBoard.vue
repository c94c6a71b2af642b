<script setup lang="ts">
import { labelOf } from '@viatica/core/plan/entry.ts'
import { entryOf } from '@viatica/core/plan/plan.ts'
import { isWritten, type TemplatesSite } from '@viatica/core/plan/site.ts'
import type { Override, TemplatePart } from '@viatica/core/plan/surround/templates.ts'
import {
  dropOverride,
  setTemplateOf,
  setTemplateText,
  type TextRun,
  type TextsOf,
} from '@viatica/core/shape/templateEdits.ts'
import { piecesInstead } from '@viatica/core/shape/toPieces.ts'
import { isDifference } from '@viatica/core/template/kept.ts'
import { createTemplateWriter } from '@viatica/core/template/write.ts'
import { Button } from 'ant-design-vue'
import { computed, ref, shallowRef } from 'vue'
import ChoiceField from '../../../parts/ChoiceField.vue'
import ModalDialog from '../../../parts/ModalDialog.vue'
import BeforeAfter from '../../../parts/ripple/BeforeAfter.vue'
import { useChosen } from '../../../stores/chosen.ts'
import { useOpenSite } from '../../../stores/openSite.ts'
import PatternDialog from './PatternDialog.vue'
import { partWords } from './partWords.ts'
import TemplateParts from './TemplateParts.vue'

/** The template that the chosen page is made with: its HTML and holes, and what the page has in their place. */
const openSite = useOpenSite()
const chosen = useChosen()

/** The site is one of templates where this is shown. */
const site = computed(() => openSite.site as TemplatesSite)
const templates = computed(() => site.value.surround.templates)
const writer = computed(() => createTemplateWriter(site.value))
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

/** What pages put in from files of their own. */
const included = computed(() => {
  const there = new Map(writer.value.includedFiles().map(({ file, path }) => [file, path]))
  return templates.value.included.flatMap(({ file, parts }) => {
    const path = there.get(file)
    return path === undefined ? [] : [{ file, path, parts }]
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
    if (!piece.kept || !isDifference(piece.kept, piece.parts)) return []
    return [
      {
        override: piece.kept,
        names:
          [...new Set(piece.parts.map((part) => partWords(part, site.value.surround)))].join(', ') ||
          'More HTML',
        now: piece.text,
        would: piece.parts.map((part) => writer.value.part(page.value, part)).join(''),
      },
    ]
  }),
)

const make = (change: ReturnType<typeof setTemplateOf>) => change && openSite.makeOrTell(change)

/** The part whose pattern is being edited. */
const pattern = shallowRef<TemplatePart>()

const isAsking = ref(false)
function toPieces(): void {
  isAsking.value = false
  openSite.makeOrTell({
    kind: 'batch',
    words: 'Pieces instead of templates',
    changes: piecesInstead(site.value),
  })
}

const edit = (of: TextsOf, run: TextRun, source: string) => make(setTemplateText(site.value, of, run, source))
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
    <TemplateParts
      :parts="template.parts"
      :surround="site.surround"
      name="Parts of the template"
      @edit="(run, source) => edit({ template: template.id }, run, source)"
      @pattern="(part) => (pattern = part)"
    />
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
    <template v-if="included.length > 0">
      <h3>Files that pages include</h3>
      <template v-for="{ file, path, parts } in included" :key="file">
        <h4>{{ path }}</h4>
        <TemplateParts
          :parts="parts"
          :surround="site.surround"
          :name="`Parts of ${path}`"
          @edit="(run, source) => edit({ included: file }, run, source)"
          @pattern="(part) => (pattern = part)"
        />
      </template>
    </template>
    <PatternDialog v-if="pattern" :part="pattern" :page="page" @close="pattern = undefined" />
    <p class="instead"><Button @click="isAsking = true">Use pieces instead …</Button></p>
    <ModalDialog :open="isAsking" title="Use pieces instead of templates?" @close="isAsking = false">
      <p>
        The content of the pages, their addresses and the plan stay. Menus, header and footer will be pieces
        of Viatica’s own, as on a new site. You can undo this.
      </p>
      <template #buttons>
        <Button @click="isAsking = false">Cancel</Button>
        <Button type="primary" @click="toPieces">Use pieces</Button>
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

h4 {
  margin: 10px 0 4px;
  font: 600 12px/1.5 var(--mono);
}

.kept {
  display: grid;
  gap: 3px;
  margin: 0;
  padding: 0;
  list-style: none;
}

.instead {
  margin-top: 16px;
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
</style>
