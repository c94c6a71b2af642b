<script setup lang="ts">
import { misspelt } from '@viatica/core/check/content/misspelt.ts'
import type { SpeltPlace } from '@viatica/core/spelling/correction.ts'
import type { FindingPlace } from '@viatica/core/check/rule.ts'
import { ruleOf } from '@viatica/core/check/rules.ts'
import { Button, Input } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import MisspeltWord from '../../parts/MisspeltWord.vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { useProof } from '../../stores/proof.ts'
import AnswerField from './AnswerField.vue'
import { placeWords } from './findingWords.ts'
import { useGoTo } from './goTo.ts'

/** One finding: what it is, where, by which rule, and what can be done about it. */
const openSite = useOpenSite()
const proof = useProof()
const goTo = useGoTo()

const finding = computed(() => [...proof.findings, ...proof.aside].find(({ key }) => key === proof.chosenKey))
const rule = computed(() => finding.value && ruleOf(finding.value.rule))
const source = computed(() => {
  const [, words = '', url] = /^(.*?):? ?(https:\S*)?$/.exec(rule.value?.source ?? '') ?? []
  return { words, url }
})
const ofKind = computed(() => proof.findings.filter((one) => one.rule === finding.value?.rule && one.canFix))
/** Where a misspelt word is written otherwise. */
function spellingPlace(place: FindingPlace | undefined): SpeltPlace | undefined {
  switch (place?.in) {
    case 'entry':
    case 'piece':
    case 'menu':
      return place
    case 'content':
      return { in: 'entry', entry: place.entry }
    case 'template':
    case 'look':
    case undefined:
      return undefined
  }
}
const spelt = computed(() => spellingPlace(finding.value?.place))
const reason = computed(() => proof.reasons.get(proof.chosenKey))

const AROUND = 2

/** The lines of the source around the place, parted where it begins and ends. */
const excerpt = computed(() => {
  const place = finding.value?.place
  if (place?.in !== 'content') return undefined
  const entry = openSite.shown.plan.entries.get(place.entry)
  if (entry?.kind !== 'page') return undefined
  const { html } = entry.body
  const from = html
    .split('\n')
    .slice(0, Math.max(0, place.line - 1 - AROUND))
    .join('\n').length
  const after = html.indexOf('\n', place.end)
  const until =
    after < 0 ? html.length : html.indexOf('\n', after + 1) < 0 ? html.length : html.indexOf('\n', after + 1)
  return {
    before: html.slice(from, place.start).replace(/^\n/, ''),
    marked: html.slice(place.start, place.end),
    after: html.slice(place.end, until),
  }
})

const typed = ref('')
const fault = ref('')
watch(
  () => proof.chosenKey,
  () => (typed.value = fault.value = ''),
)

function setAside(): void {
  if (typed.value.trim() === '') return void (fault.value = 'Say why: whoever comes later will want to know.')
  fault.value = proof.setAside([proof.chosenKey], typed.value.trim()) ?? ''
}
</script>

<template>
  <div v-if="finding && rule">
    <h2>{{ finding.words }}</h2>
    <p class="where">{{ rule.severity }}, {{ placeWords(openSite.site!, finding.place) }}</p>
    <pre
      v-if="excerpt"
      tabindex="0"
      aria-label="The place in the source">{{ excerpt.before }}<mark>{{ excerpt.marked }}</mark>{{ excerpt.after }}</pre>
    <MisspeltWord v-if="rule.id === misspelt.id && spelt" :place="spelt" :word="finding.gist" />
    <AnswerField v-if="finding.asks" :finding="finding" />
    <div class="buttons">
      <Button type="primary" @click="goTo(finding.place)">Go there</Button>
      <Button v-if="finding.canFix" title="Fix this finding (F)" @click="proof.fix([finding])">Fix …</Button>
      <Button v-if="ofKind.length > 1" @click="proof.fix(ofKind)">Fix all {{ ofKind.length }} …</Button>
    </div>
    <h3>The rule</h3>
    <p>
      It looks for {{ rule.about }}.
      <span class="quiet"
        >Source:
        <a v-if="source.url" :href="source.url" target="_blank" rel="noopener">{{
          source.words || source.url
        }}</a
        ><template v-else>{{ source.words }}</template>.</span
      >
    </p>
    <h3>Ignore</h3>
    <template v-if="reason !== undefined">
      <p>“{{ reason }}”</p>
      <Button size="small" @click="proof.setAside([finding.key], undefined)">Stop ignoring</Button>
    </template>
    <template v-else>
      <Input
        v-model:value="typed"
        placeholder="why this is well as it is"
        aria-label="Why it is ignored"
        @press-enter="setAside"
      />
      <p v-if="fault" class="field-fault" role="alert">{{ fault }}</p>
      <p class="field-hint">Ignored until this text changes.</p>
      <Button size="small" @click="setAside">Ignore</Button>
    </template>
  </div>
  <p v-else class="quiet">
    Choose a finding: you see where it is, by which rule, and what can be done. N and P go through them.
  </p>
</template>

<style scoped>
h2 {
  margin-bottom: 4px;
  font-size: 16px;
  line-height: 1.3;
  overflow-wrap: anywhere;
}

.where {
  margin: 0 0 10px;
  color: var(--slate);
}

pre {
  max-height: 170px;
  margin: 0 0 10px;
  padding: 8px;
  overflow: auto;
  background: #fff;
  border: 1px solid var(--rule);
  font: 12px/1.5 var(--mono);
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}

mark {
  color: inherit;
  background: #f5dfd9;
  outline: 1px solid var(--brick);
}

.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

h3 {
  margin: 18px 0 4px;
  padding-bottom: 3px;
  border-bottom: 2px solid var(--pine);
  font-size: 15px;
}

p {
  margin: 0 0 8px;
}
</style>
