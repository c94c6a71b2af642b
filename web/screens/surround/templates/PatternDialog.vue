<script setup lang="ts">
import { labelOf } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { entryOf } from '@viatica/core/plan/plan.ts'
import type { TemplatesSite } from '@viatica/core/plan/site.ts'
import type { TemplatePart } from '@viatica/core/plan/surround/templates.ts'
import { editedPattern, patternOf, setPattern, templatesWith } from '@viatica/core/shape/templateEdits.ts'
import { isSameData } from '@viatica/core/standard/sameData.ts'
import { withLineEndsOf, withPlainLineEnds } from '@viatica/core/standard/lineEnds.ts'
import { canBeEdited, sourceOfBits } from '@viatica/core/template/partSource.ts'
import { patternFields } from '@viatica/core/template/patternFields.ts'
import { createTemplateWriter } from '@viatica/core/template/write.ts'
import { Button, Checkbox, Textarea } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useDraft } from '../../../parts/draft.ts'
import ModalDialog from '../../../parts/ModalDialog.vue'
import BeforeAfter from '../../../parts/ripple/BeforeAfter.vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import { partWords } from './partWords.ts'
import { fieldWords } from './patternWords.ts'

/** How a menu, a breadcrumb or the previous/next links are written, in the author's own HTML. */
const props = defineProps<{
  part: TemplatePart
  /** The page on which it is shown. */
  page: EntryId
}>()
const emit = defineEmits<{ close: [] }>()

const openSite = useOpenSite()
/** The site is one of templates where this is asked. */
const site = openSite.site as TemplatesSite
const pattern = patternOf(site.surround.templates, props.part)!

const fields = patternFields(pattern).map(({ at, bits }) => ({
  at,
  source: sourceOfBits(bits),
  words: fieldWords(at),
  canBeEdited: canBeEdited(bits, true),
}))
const sources = ref(fields.map(({ source }) => withPlainLineEnds(source)))
const ownItems = pattern.kind === 'menu' ? Object.keys(pattern.pattern.own).length : 0
const alike = ref(false)

const edited = computed(() =>
  editedPattern(
    pattern,
    fields.map(({ at, source }, n) => ({ at, source: withLineEndsOf(source, sources.value[n]!) })),
    alike.value,
  ),
)
const now = computed(() => createTemplateWriter(site).part(props.page, props.part))
const after = computed(() => {
  return createTemplateWriter(templatesWith(site, edited.value)).part(props.page, props.part)
})

const rowsOf = (source: string) => Math.min(8, Math.max(1, source.split('\n').length))

const start = [...sources.value]
const discardDraft = useDraft({
  site: openSite.id,
  form: `pattern ${JSON.stringify(start)}`,
  words: `HTML of: ${partWords(props.part, site.surround)}`,
  content: () => (isSameData(sources.value, start) ? undefined : [...sources.value]),
  restore: (content) => (sources.value = content),
})
function close(): void {
  discardDraft()
  emit('close')
}

function apply(): void {
  const change = setPattern(site, pattern, edited.value)
  if (change && !openSite.makeOrTell(change)) return
  close()
}
</script>

<template>
  <ModalDialog open wide :title="`HTML of: ${partWords(part, site.surround)}`" @close="close">
    <p class="quiet">
      <code>{label}</code>, <code>{title}</code> and <code>{href}</code> stand for what each item says and
      where it leads. What you edit here changes on all pages that have it.
    </p>
    <div class="sides">
      <div class="fields">
        <label v-for="(field, n) in fields" :key="n">
          <span>{{ field.words }}</span>
          <Textarea
            v-model:value="sources[n]"
            class="source"
            :rows="rowsOf(sources[n]!)"
            :disabled="!field.canBeEdited"
            spellcheck="false"
          />
        </label>
        <p v-if="ownItems > 0">
          <Checkbox v-model:checked="alike">
            {{
              ownItems === 1
                ? 'Write the item that has HTML of its own like the others'
                : `Write the ${ownItems} items that have HTML of their own like the others`
            }}
          </Checkbox>
        </p>
      </div>
      <section class="preview" aria-labelledby="pattern-preview">
        <h3 id="pattern-preview">On “{{ labelOf(entryOf(site.plan, page)) }}”</h3>
        <BeforeAfter :before="now" :after="after" :names="['now', 'then']" stacked />
      </section>
    </div>
    <template #buttons>
      <Button @click="close">Cancel</Button>
      <Button type="primary" @click="apply">Apply</Button>
    </template>
  </ModalDialog>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 20px;
}

.fields {
  display: grid;
  gap: 10px;
  align-content: start;
}

.fields label span {
  display: block;
  margin-bottom: 2px;
  color: var(--slate);
  font-size: 13px;
}

.source {
  font: 12px/1.5 var(--mono);
}

h3 {
  margin-bottom: 6px;
  font-size: 15px;
}

@media (max-width: 760px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
