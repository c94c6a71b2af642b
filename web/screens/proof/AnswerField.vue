<script setup lang="ts">
import { answering, askedNow } from '@viatica/core/check/answers.ts'
import type { Asked } from '@viatica/core/check/rule.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { entryPointer } from '@viatica/core/pointer/pointer.ts'
import { Button, Input } from 'ant-design-vue'
import { computed, ref, useId, watch } from 'vue'
import EntryField from '../../parts/EntryField.vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { useProof } from '../../stores/proof.ts'
import type { ShownFinding } from '../../workers/siteWorker.ts'

/** What a finding asks of its author, answered where it is told; then the next one is shown. */
const props = defineProps<{ finding: ShownFinding }>()

const openSite = useOpenSite()
const proof = useProof()
const id = useId()

const LABELS: Readonly<Record<Asked, string>> = {
  target: 'or to an address',
  alternative: 'What the picture shows',
  language: 'Language of this part, such as en or cy',
  title: 'Title of this page',
}
/** What takes the thing away that is wrong, where that puts it right, too. */
const WITHOUT: Readonly<Partial<Record<Asked, string>>> = {
  target: 'Remove link',
  alternative: 'Decorative image',
  language: 'Remove lang',
}

const asks = computed(() => props.finding.asks!)
const without = computed(() => WITHOUT[asks.value])
const typed = ref('')
const page = ref<EntryId>('')
const fault = ref('')
watch(
  () => props.finding.key,
  () => {
    // A target that leads nowhere is no start for another; a title or a language is corrected.
    const now = askedNow(openSite.shown, props.finding)
    typed.value = asks.value === 'title' || asks.value === 'language' ? now : ''
    page.value = fault.value = ''
  },
  { immediate: true },
)

function answer(text: string): void {
  const change = answering(openSite.shown, props.finding, text)
  if (!change) return void (fault.value = 'This place is not there any more: check again.')
  fault.value = openSite.make(change) ?? ''
  if (fault.value === '') proof.goOn([props.finding.key])
}

function answerTyped(): void {
  if (typed.value.trim() === '') fault.value = 'Type something first.'
  else answer(typed.value)
}
watch(page, (chosen) => chosen !== '' && answer(entryPointer(chosen)))

const isPage = (entry: EntryId) => openSite.shown.plan.entries.get(entry)?.kind === 'page'
</script>

<template>
  <form class="answer" aria-label="Put it right here" @submit.prevent="answerTyped">
    <EntryField
      v-if="asks === 'target'"
      v-model="page"
      label="Lead it to a page"
      :site="openSite.site!"
      :can-choose="isPage"
    />
    <label class="field-label" :for="id">{{ LABELS[asks] }}</label>
    <Input :id="id" v-model:value="typed" :placeholder="asks === 'target' ? 'https://' : undefined" />
    <p v-if="fault" class="field-fault" role="alert">{{ fault }}</p>
    <div class="buttons">
      <Button size="small" html-type="submit">Apply and next</Button>
      <Button v-if="without" size="small" @click="answer('')">{{ without }}</Button>
    </div>
  </form>
</template>

<style scoped>
.answer {
  margin-bottom: 12px;
  padding: 8px 10px 10px;
  background: #f1ecdd;
  border: 1px solid var(--rule);
}

.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
}
</style>
