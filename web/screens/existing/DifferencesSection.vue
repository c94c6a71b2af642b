<script setup lang="ts">
import type { Difference, Overview } from '@viatica/core/existing/overview.ts'
import type { DriftPart } from '@viatica/core/existing/report.ts'
import { itemAt } from '@viatica/core/standard/present.ts'
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import BeforeAfter from '../../parts/ripple/BeforeAfter.vue'
import LabelledChoice from '../../parts/LabelledChoice.vue'
import type { ExistingPages } from './existingPages.ts'
import { counted } from '../../parts/pages/steps.ts'
import { PART_WORDS } from './words.ts'

/** Where pages say something else than the others and the plan: brought into line or kept, one by one or a whole kind. */
const props = defineProps<{ overview: Overview; existing: ExistingPages }>()

const by = ref<'part' | 'page'>('part')
const BY = [
  { value: 'part', label: 'By kind' },
  { value: 'page', label: 'By page' },
] as const
/** So many of a group are shown at first: thousands would make the page slow. */
const AT_FIRST = 100
const opened = ref<ReadonlySet<string>>(new Set())
const shownWhole = ref<ReadonlySet<string>>(new Set())

interface Group {
  readonly key: string
  readonly name: string
  readonly differences: readonly Difference[]
  readonly decidable: readonly Difference[]
  readonly inLine: number
}

const groups = computed((): Group[] => {
  const all = new Map<string, Difference[]>()
  for (const difference of props.overview.differences) {
    const key = by.value === 'part' ? itemAt(difference.drift, 0).part : difference.path
    const there = all.get(key)
    if (there) there.push(difference)
    else all.set(key, [difference])
  }
  return [...all]
    .map(([key, differences]) => {
      const decidable = differences.filter(({ choice }) => choice !== undefined)
      return {
        key,
        name: by.value === 'part' ? PART_WORDS[key as DriftPart] : key,
        differences,
        decidable,
        inLine: decidable.filter(props.existing.isInLine).length,
      }
    })
    .sort((a, b) =>
      by.value === 'page' ? (a.key < b.key ? -1 : 1) : b.differences.length - a.differences.length,
    )
})

const shownOf = ({ key, differences }: Group) =>
  shownWhole.value.has(key) ? differences : differences.slice(0, AT_FIRST)
const keyOf = ({ path, drift }: Difference) => `${path}:${itemAt(drift, 0).line}:${itemAt(drift, 0).part}`
function toggle(key: string): void {
  const now = new Set(opened.value)
  if (!now.delete(key)) now.add(key)
  opened.value = now
}
</script>

<template>
  <p v-if="overview.differences.length === 0" class="none">
    Every page says what the others and the plan say. There is nothing to decide.
  </p>
  <template v-else>
    <div class="head">
      <LabelledChoice v-model="by" label="Listed" :options="BY" />
      <span class="quiet">What you do not bring into line stays as it is, to the byte.</span>
    </div>
    <section v-for="group in groups" :key="group.key" :aria-label="group.name" class="group">
      <header>
        <h2>{{ group.name }}</h2>
        <span class="quiet">
          {{ counted(group.differences.length, 'difference')
          }}<template v-if="group.inLine > 0">, {{ group.inLine }} brought into line</template>
        </span>
        <template v-if="group.decidable.length > 0">
          <Button
            size="small"
            :disabled="group.inLine === group.decidable.length"
            :aria-label="`Bring all into line: ${group.name}`"
            @click="existing.decide(group.decidable, true)"
          >
            Bring all into line
          </Button>
          <Button
            size="small"
            :disabled="group.inLine === 0"
            :aria-label="`Keep all: ${group.name}`"
            @click="existing.decide(group.decidable, false)"
          >
            Keep all
          </Button>
        </template>
      </header>
      <ul>
        <li v-for="(difference, n) in shownOf(group)" :key="`${keyOf(difference)}:${n}`">
          <div class="difference">
            <label v-if="difference.choice !== undefined" class="choice">
              <input
                type="checkbox"
                :checked="existing.isInLine(difference)"
                @change="existing.decide([difference], ($event.target as HTMLInputElement).checked)"
              />
              Bring into line
            </label>
            <span v-else class="choice quiet">Stays as it is</span>
            <span class="where">
              <code>{{ difference.path }}</code> line {{ difference.drift[0]!.line }}
            </span>
            <span class="says">
              <template v-for="(one, m) in difference.drift" :key="m">
                <template v-if="m > 0">; </template>
                <template v-if="by === 'page'">{{ PART_WORDS[one.part] }}: </template>
                <template v-if="one.says === ''">lacks <ins>{{ one.expected }}</ins></template>
                <template v-else-if="one.expected === ''"
                  >has <del>{{ one.says }}</del>, as no other</template
                >
                <template v-else>says <del>{{ one.says }}</del>, not <ins>{{ one.expected }}</ins></template>
              </template>
            </span>
            <button
              v-if="difference.choice !== undefined"
              type="button"
              class="link-button"
              :aria-expanded="opened.has(keyOf(difference))"
              :aria-label="`HTML of ${difference.path}, line ${difference.drift[0]!.line}`"
              @click="toggle(keyOf(difference))"
            >
              HTML
            </button>
          </div>
          <BeforeAfter
            v-if="difference.choice !== undefined && opened.has(keyOf(difference))"
            :before="difference.now"
            :after="difference.would"
            :names="['now', 'in line']"
          />
        </li>
      </ul>
      <p v-if="!shownWhole.has(group.key) && group.differences.length > AT_FIRST">
        <button type="button" class="link-button" @click="shownWhole = new Set([...shownWhole, group.key])">
          Show {{ group.differences.length - AT_FIRST }} more
        </button>
      </p>
    </section>
  </template>
</template>

<style scoped>
.head {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: center;
}

.group header {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  padding: 4px 0;
}

h2 {
  font-size: 16px;
}

ul {
  margin: 0;
  padding: 0;
  background: var(--card);
  border: 1px solid var(--rule);
  list-style: none;
}

li {
  padding: 5px 12px;
  border-top: 1px solid var(--rule);
}

li:first-child {
  border-top: 0;
}

.difference {
  display: grid;
  grid-template-columns: 130px minmax(0, 240px) minmax(0, 1fr) auto;
  gap: 2px 14px;
  align-items: center;
}

.choice {
  display: flex;
  gap: 7px;
  align-items: center;
  min-height: 24px;
}

.choice input {
  width: 16px;
  height: 16px;
  accent-color: var(--pine);
}

.where,
.says {
  overflow-wrap: anywhere;
}

del {
  color: var(--brick);
  background: #f8e7e3;
  text-decoration: none;
}

ins {
  color: var(--pine);
  background: #e2efe8;
  text-decoration: none;
}

@media (max-width: 800px) {
  .difference {
    grid-template-columns: minmax(0, 1fr) auto;
  }

  .where,
  .says {
    grid-column: 1 / -1;
  }
}
</style>
