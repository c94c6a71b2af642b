<script setup lang="ts">
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { pageSources } from '@viatica/core/compare/pages.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { entryOf, walk } from '@viatica/core/plan/plan.ts'
import { isWritten } from '@viatica/core/plan/site.ts'
import { itemAt, valueFor } from '@viatica/core/standard/present.ts'
import { Button } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import EntryField from '../../../parts/EntryField.vue'
import SourceLines, { type ShownLine } from '../../../parts/SourceLines.vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import { thisYear } from '@viatica/core/standard/date.ts'

/** The sources of two pages beside each other, with every difference named by its cause. */
const openSite = useOpenSite()
const site = computed(() => openSite.shown)
const isPage = (id: EntryId) => isWritten(site.value, site.value.plan.entries.get(id))

const first = ref(site.value.plan.home)
const second = ref(
  [...walk(site.value.plan)].findLast(({ entry }) => isPage(entry.id))?.entry.id ?? site.value.plan.home,
)

const pages = computed(() => {
  const { paths } = addressesOf(site.value)
  return [first.value, second.value].map((wanted) => {
    const id = isPage(wanted) ? wanted : site.value.plan.home
    return { id, label: labelOf(entryOf(site.value.plan, id)), path: valueFor(paths, id) }
  })
})
const source = computed(() => pageSources(site.value, thisYear()))
const differences = computed(() =>
  source.value.differences(itemAt(pages.value, 0).id, itemAt(pages.value, 1).id),
)
const sources = computed(() => pages.value.map(({ id }) => source.value.lines(id)))
const counts = computed(() => {
  const found = new Map<string, number>()
  for (const { cause } of differences.value) found.set(cause, (found.get(cause) ?? 0) + 1)
  return [...found]
})
const drift = computed(() => differences.value.filter(({ cause }) => cause === 'drift').length)

/** Why each line of a page differs from the other page. */
const causes = computed(() =>
  ([0, 1] as const).map((side) => {
    const byLine = new Map<number, string>()
    for (const { cause, at, lines } of differences.value)
      lines[side].forEach((_, n) => byLine.set(at[side] + n, cause))
    return byLine
  }),
)

/** Each source with what stands beside its lines: why they differ, else the part that begins with them. */
const shown = computed(() =>
  sources.value.map((lines, side) =>
    lines.map(({ text, region }, n): ShownLine => {
      const cause = itemAt(causes.value, side).get(n + 1)
      const tone = cause === 'drift' ? 'drift' : cause ? 'differs' : undefined
      if (cause && cause !== itemAt(causes.value, side).get(n)) return { text, beside: cause, tone }
      return { text, beside: lines[n - 1]?.region === region ? '' : region, tone }
    }),
  ),
)

const boards = ref<HTMLElement>()
/** Which difference is in sight, from 1; 0 before the first. */
const at = ref(0)
watch(differences, () => (at.value = 0))

/** Brings the next difference, or the one before, into sight on both sides. */
function step(by: 1 | -1): void {
  const count = differences.value.length
  if (count === 0) return
  at.value = ((at.value - 1 + by + count) % count) + 1
  const difference = differences.value[at.value - 1]!
  boards.value?.querySelectorAll('section').forEach((board, side) => {
    board.querySelectorAll('li')[Math.max(0, difference.at[side]! - 1)]?.scrollIntoView({ block: 'center' })
  })
}
</script>

<template>
  <div class="compare">
    <div class="choice">
      <EntryField v-model="first" label="This page" :site="site" :can-choose="isPage" />
      <EntryField v-model="second" label="beside this page" :site="site" :can-choose="isPage" />
    </div>
    <p class="verdict" role="status">
      <b v-if="drift === 0">Nothing differs that should be the same.</b>
      <b v-else class="fault"
        >{{ drift === 1 ? '1 difference' : `${drift} differences` }} that nothing explains.</b
      >
      <span v-for="[cause, count] in counts" :key="cause" class="cause">
        {{ cause }}<template v-if="count > 1"> ×{{ count }}</template>
      </span>
      <span v-if="counts.length === 0" class="quiet">It is the same page.</span>
      <span v-else class="steps">
        <Button size="small" @click="step(-1)">Previous</Button>
        <Button size="small" @click="step(1)">Next difference</Button>
        {{ at === 0 ? '' : `${at} of ` }}{{ differences.length }}
      </span>
    </p>
    <div ref="boards" class="sources">
      <section
        v-for="side in [0, 1]"
        :key="side"
        tabindex="0"
        :aria-label="`Source of ${pages[side]!.label}`"
      >
        <h2>{{ pages[side]!.label }} <code class="path">{{ pages[side]!.path }}</code></h2>
        <SourceLines :lines="shown[side]!" />
      </section>
    </div>
  </div>
</template>

<style scoped>
.compare {
  display: flex;
  flex: 1;
  flex-direction: column;
  min-height: 0;
}

.choice,
.sources {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px;
}

.choice :deep(.options) {
  position: absolute;
  right: 0;
  left: 0;
  z-index: 3;
}

.sources {
  flex: 1;
  min-height: 0;
}

.verdict {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  margin: 0 0 8px;
}

.fault {
  color: var(--brick);
}

.cause {
  padding: 0 6px;
  border: 1px solid var(--rule);
  border-radius: 3px;
}

section {
  min-height: 0;
  overflow: auto;
  background: var(--card);
  border: 1px solid var(--rule);
}

h2 {
  position: sticky;
  top: 0;
  left: 0;
  z-index: 1;
  padding: 4px 8px;
  background: var(--card);
  border-bottom: 1px solid var(--rule);
  font-size: 14px;
}

.steps {
  display: flex;
  align-items: center;
  gap: 6px;
  margin-left: auto;
}

@media (max-width: 820px) {
  .choice,
  .sources {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
