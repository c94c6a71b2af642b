<script setup lang="ts">
import { type LinkPlace, linksBetween } from '@viatica/core/statistics/linkPicture.ts'
import type { FindingPlace } from '@viatica/core/check/rule.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import { pieceName } from '@viatica/core/plan/surround/piece.ts'
import { computed } from 'vue'
import BarChart from '../../../parts/BarChart.vue'
import { useLinking } from '../../../stores/linking.ts'
import { useOpenSite } from '../../../stores/openSite.ts'
import { placeWords } from '../findingWords.ts'
import { useGoTo } from '../goTo.ts'
import { WAY_WORDS } from './wayWords.ts'

/** The links behind the cell that is looked at, and what can be counted of all links. */
const openSite = useOpenSite()
const linking = useLinking()
const goTo = useGoTo()

const named = (id: string) => {
  const entry = openSite.shown.plan.entries.get(id)
  return entry && labelOf(entry)
}
const ends = computed(() => {
  const [from, to] = [named(linking.from), named(linking.to)]
  return from !== undefined && to !== undefined ? { from, to } : undefined
})
const places = computed(() => (ends.value ? linksBetween(openSite.shown, linking.from, linking.to) : []))

function placeOf(link: LinkPlace): FindingPlace {
  switch (link.in) {
    case 'piece':
      return { in: 'piece', piece: link.piece.id }
    case 'template':
      return link
    case 'text':
      return { in: 'content', entry: linking.from, start: link.start, end: link.end, line: link.line }
  }
}

/** More than so many are put together. */
const MOST = 9

/** How many pages have a figure of 0, 1, 2 …, the last of them standing for all that are more. */
function countsOf(figures: readonly number[]): number[] {
  const counts = Array<number>(Math.min(MOST, Math.max(0, ...figures)) + 1).fill(0)
  for (const figure of figures) counts[Math.min(MOST, figure)]!++
  return counts
}
const pages = computed(() => linking.picture?.pages ?? [])
const charts = computed(() =>
  [
    {
      title: 'Links in text that lead to a page',
      axis: 'links in',
      figures: pages.value.map(({ textIn }) => textIn),
    },
    {
      title: 'Links in the text of a page',
      axis: 'links out',
      figures: pages.value.map(({ textOut }) => textOut),
    },
    {
      title: 'Clicks from the home page',
      axis: 'clicks',
      figures: pages.value.flatMap(({ clicks }) => clicks ?? []),
    },
  ].map(({ figures, ...chart }) => ({
    ...chart,
    counts: countsOf(figures),
    isOpen: Math.max(0, ...figures) > MOST,
  })),
)
</script>

<template>
  <div>
    <template v-if="ends">
      <h2>{{ ends.from }} to {{ ends.to }}</h2>
      <p v-if="places.length === 0" class="quiet">
        No link leads there{{ linking.from === linking.to ? '; pages need not link to themselves' : '' }}.
      </p>
      <ul>
        <li v-for="(link, at) in places" :key="at">
          <button type="button" class="link-button" @click="goTo(placeOf(link))">
            <template v-if="link.in === 'text'">“{{ link.words || 'no words' }}”</template>
            <template v-else-if="link.in === 'piece'">{{ pieceName(link.piece.kind) }}</template>
            <template v-else>{{ placeWords(openSite.site!, link) }}</template>
          </button>
          <span class="quiet after">
            {{
              link.in === 'text'
                ? `in the text, line ${link.line}`
                : `${WAY_WORDS[link.way]}${link.count > 1 ? `, ${link.count} links` : ''}`
            }}
          </span>
        </li>
      </ul>
    </template>
    <p v-else class="quiet">
      Choose a cell: you see which links it stands for, and go to where they are made.
    </p>
    <BarChart
      v-for="chart in charts"
      :key="chart.title"
      class="chart"
      :title="chart.title"
      :axis="chart.axis"
      :counts="chart.counts"
      :is-open="chart.isOpen"
      :height="150"
    />
  </div>
</template>

<style scoped>
h2 {
  margin-bottom: 4px;
  font-size: 16px;
  line-height: 1.3;
  overflow-wrap: anywhere;
}

ul {
  margin: 0;
  padding: 0;
  line-height: 1.6;
  list-style: none;
}

.after {
  margin-left: 6px;
}

.chart {
  margin-top: 14px;
}

.chart :deep(h2) {
  margin: 0;
  font-size: 14.5px;
}
</style>
