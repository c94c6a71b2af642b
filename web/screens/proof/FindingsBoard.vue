<script setup lang="ts">
import { itemAt } from '@viatica/core/standard/present.ts'
import { useEventListener } from '@vueuse/core'
import IconAlertTriangle from '~icons/tabler/alert-triangle'
import IconBulb from '~icons/tabler/bulb'
import IconCircleCheck from '~icons/tabler/circle-check'
import IconHelpCircle from '~icons/tabler/help-circle'
import { SEVERITIES, type Severity } from '@viatica/core/check/rule.ts'
import { Button, Checkbox, Input, Progress } from 'ant-design-vue'
import { type Component, computed, nextTick, onMounted, ref, shallowRef, watch } from 'vue'
import ChoiceField from '../../parts/ChoiceField.vue'
import LivePage from '../../parts/LivePage.vue'
import VirtualRows from '../../parts/VirtualRows.vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { bySeverity, entryOf, useProof } from '../../stores/proof.ts'
import type { ShownFinding } from '../../workers/siteWorker.ts'
import { type Grouping, groupOf, GROUPINGS, placeWords, SEVERITY_WORDS } from './findingWords.ts'

/** Everything that the rules find, in groups, with the page of the chosen finding below. */
const openSite = useOpenSite()
const proof = useProof()

const ICONS: Readonly<Record<Severity, Component>> = {
  error: IconAlertTriangle,
  warning: IconHelpCircle,
  hint: IconBulb,
}

const grouping = ref<Grouping>('rule')
const shown = ref<ReadonlySet<Severity>>(new Set(SEVERITIES))
const wanted = ref('')
const showsAside = ref(false)

const options = GROUPINGS.map((value) => ({ value, label: `by ${value}` }))
const site = computed(() => openSite.shown)
const stateWords = computed(() => {
  if (proof.all) return 'Checked; kept up as you edit.'
  return proof.isPartial ? 'Stopped before the end.' : 'Not checked yet.'
})

const filtered = computed(() => {
  const words = wanted.value.trim().toLowerCase()
  return (showsAside.value ? proof.aside : proof.findings)
    .filter(
      (one) =>
        shown.value.has(one.severity) &&
        (words === '' || `${one.words} ${placeWords(site.value, one.place)}`.toLowerCase().includes(words)),
    )
    .toSorted(bySeverity)
})

type Row = { readonly heading: string; readonly count: number } | { readonly finding: ShownFinding }

const rows = computed<Row[]>(() => {
  const groups = new Map<string, ShownFinding[]>()
  for (const finding of filtered.value) {
    const group = groupOf(site.value, finding, grouping.value)
    const known = groups.get(group)
    if (known) known.push(finding)
    else groups.set(group, [finding])
  }
  return [...groups].flatMap(([heading, findings]): Row[] => [
    { heading, count: findings.length },
    ...findings.map((finding) => ({ finding })),
  ])
})
const inOrder = computed(() => rows.value.flatMap((row) => ('finding' in row ? [row.finding] : [])))
/** What is shown and can be fixed without a word of the author’s. */
const fixable = computed(() => inOrder.value.filter(({ canFix }) => canFix))
const chosen = computed(() => inOrder.value.find(({ key }) => key === proof.chosenKey))
const page = computed(() => {
  const id = chosen.value && entryOf(chosen.value)
  const entry = id === undefined ? undefined : site.value.plan.entries.get(id)
  return entry?.kind === 'page' ? entry.id : undefined
})

function toggle(severity: Severity): void {
  const next = new Set(shown.value)
  if (!next.delete(severity)) next.add(severity)
  shown.value = next
}

const list = ref<{ focusRow: (index: number) => Promise<void> }>()
const rowOf = (key: string) => rows.value.findIndex((row) => 'finding' in row && row.finding.key === key)
/** The row that Tab comes to: that of the chosen finding, else the first. */
const lead = computed(() => {
  const at = rowOf(proof.chosenKey)
  return at >= 0 ? at : rows.value.findIndex((row) => 'finding' in row)
})
const focusChosen = () => void list.value?.focusRow(lead.value)

// The order in which they are shown is that in which one goes on when one is put right.
watch(
  inOrder,
  (findings) => {
    const before = proof.order
    proof.order = findings.map(({ key }) => key)
    // A finding may go with another that was put right: one goes on from where it stood.
    const at = before.indexOf(proof.chosenKey)
    const there = new Set(proof.order)
    if (at < 0 || there.has(proof.chosenKey)) return
    const left = (key: string) => there.has(key)
    proof.chosenKey = before.slice(at).find(left) ?? before.slice(0, at).findLast(left) ?? ''
    if (document.activeElement === document.body || document.activeElement?.closest('.rows')) focusChosen()
  },
  { immediate: true },
)
watch(
  () => proof.wentOn,
  () => nextTick(focusChosen),
)

function step(by: 1 | -1): void {
  const count = inOrder.value.length
  if (count === 0) return
  const at = inOrder.value.findIndex(({ key }) => key === proof.chosenKey)
  const next = at < 0 ? 0 : (at + by + count) % count
  proof.chosenKey = itemAt(inOrder.value, next).key
  focusChosen()
}

/** The keys of the list, and those that work from anywhere in the screen. */
function press(event: KeyboardEvent): void {
  const isTyping =
    event.target instanceof HTMLElement && /^(INPUT|SELECT|TEXTAREA)$/.test(event.target.tagName)
  if (isTyping || event.ctrlKey || event.metaKey || event.altKey) return
  const isInList = event.target instanceof HTMLElement && event.target.closest('.rows') !== null
  if (event.key === 'n' || (isInList && event.key === 'ArrowDown')) step(1)
  else if (event.key === 'p' || (isInList && event.key === 'ArrowUp')) step(-1)
  else if (event.key === 'f' && chosen.value?.canFix) void proof.fix([chosen.value])
  else return
  event.preventDefault()
}
const work = shallowRef<HTMLElement | null>(null)
onMounted(() => (work.value = document.querySelector('#work')))
useEventListener(work, 'keydown', press)
</script>

<template>
  <div class="proof">
    <div class="bar">
      <Checkbox
        v-for="severity in SEVERITIES"
        :key="severity"
        :checked="shown.has(severity)"
        @change="toggle(severity)"
        >{{ SEVERITY_WORDS[severity] }} ({{ proof.counts[severity] }})</Checkbox
      >
      <label class="unseen" for="grouping">Group by</label>
      <ChoiceField
        id="grouping"
        class="grouping"
        :value="grouping"
        :options="options"
        @change="(value) => (grouping = value)"
      />
      <Input
        v-model:value="wanted"
        size="small"
        class="wanted"
        placeholder="find"
        aria-label="Find among the findings"
        allow-clear
      />
    </div>
    <div class="state" role="status">
      <template v-if="proof.progress">
        <Progress
          :percent="Math.round((100 * proof.progress[0]) / proof.progress[1])"
          :show-info="false"
          size="small"
          aria-label="How far the check is"
        />
        <Button size="small" @click="proof.stop">Stop</Button>
      </template>
      <template v-else>
        <Checkbox v-if="proof.aside.length > 0 || showsAside" v-model:checked="showsAside"
          >ignored ones ({{ proof.aside.length }})</Checkbox
        >
        <span class="quiet">{{ stateWords }}</span>
        <Button size="small" @click="proof.check">Check again</Button>
      </template>
      <template v-if="proof.fixProgress">
        <Progress
          :percent="Math.round((100 * proof.fixProgress[0]) / proof.fixProgress[1])"
          :show-info="false"
          size="small"
          aria-label="How many fixes are worked out"
        />
        <Button size="small" @click="proof.stopFixing">Stop fixing</Button>
      </template>
      <Button v-else-if="fixable.length > 1" size="small" @click="proof.fix(fixable)"
        >Fix all {{ fixable.length }} …</Button
      >
      <Button size="small" title="Previous finding (P)" @click="step(-1)">Previous</Button>
      <Button size="small" title="Next finding (N)" @click="step(1)">Next</Button>
    </div>
    <VirtualRows
      v-if="rows.length > 0"
      ref="list"
      class="rows"
      :rows="rows"
      :row-height="32"
      :lead="lead"
      :key-of="(row) => ('finding' in row ? row.finding.key : `# ${row.heading}`)"
      label="Findings"
    >
      <template #default="{ row, index }">
        <h2 v-if="'heading' in row" :title="row.heading">
          <span class="words">{{ row.heading }}</span> <span class="quiet">{{ row.count }}</span>
        </h2>
        <button
          v-else
          type="button"
          class="row-button finding"
          :class="[row.finding.severity, { chosen: row.finding.key === proof.chosenKey }]"
          :aria-pressed="row.finding.key === proof.chosenKey"
          :tabindex="index === lead ? 0 : -1"
          data-focus
          @click="proof.chosenKey = row.finding.key"
        >
          <component
            :is="ICONS[row.finding.severity]"
            width="16"
            height="16"
            role="img"
            :aria-label="row.finding.severity"
          />
          <span class="words">{{ row.finding.words }}</span>
          <span class="place">{{ placeWords(site, row.finding.place) }}</span>
        </button>
      </template>
    </VirtualRows>
    <p v-else-if="proof.all" class="none">
      <IconCircleCheck width="22" height="22" aria-hidden="true" />
      {{
        proof.findings.length === 0 && !showsAside
          ? 'The rules find nothing.'
          : 'Nothing of what you look for.'
      }}
    </p>
    <LivePage
      v-if="page"
      :page="page"
      :width="1280"
      :found="chosen?.place.in === 'content' ? chosen.place : undefined"
      class="page"
    />
  </div>
</template>

<style scoped>
.proof {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 8px;
  min-height: 0;
}

.bar,
.state {
  display: flex;
  flex: none;
  align-items: center;
  gap: 8px;
}

.state {
  min-height: 26px;
}

.state .quiet {
  flex: 1;
}

.bar :deep(.ant-checkbox-wrapper) {
  white-space: nowrap;
}

.grouping {
  width: 112px;
  margin-left: auto;
}

.wanted {
  width: 140px;
}

.rows {
  flex: 3 1 0;
  background: var(--card);
  border: 1px solid var(--rule);
}

h2 {
  display: flex;
  gap: 5px;
  padding: 10px 10px 0;
  font-size: 14.5px;
}

h2 .quiet {
  font-weight: 400;
}

.finding {
  grid-template-columns: 18px minmax(0, 1fr) minmax(0, 30%);
}

.error svg {
  color: var(--brick);
}

.words,
.place {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.place {
  color: var(--slate);
  text-align: right;
}

.chosen .place {
  color: var(--ink);
}

.none {
  display: flex;
  align-items: center;
  gap: 8px;
  margin: 10vh auto 0;
  font-size: 16px;
}

.page {
  flex: 2 1 0;
  min-height: 160px;
}

@media (max-width: 820px) {
  .bar,
  .state {
    flex-wrap: wrap;
  }

  .bar :deep(.ant-checkbox-wrapper) {
    white-space: normal;
  }

  .rows {
    flex: none;
    height: 260px;
  }

  .page {
    flex: none;
    height: 240px;
  }

  .finding {
    grid-template-columns: 18px minmax(0, 1fr);
  }

  .place {
    display: none;
  }
}
</style>
