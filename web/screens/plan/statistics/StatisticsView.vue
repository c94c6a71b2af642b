<script setup lang="ts">
import type { Statistics } from '@viatica/core/statistics/statistics.ts'
import { STATES } from '@viatica/core/plan/entry.ts'
import { Progress } from 'ant-design-vue'
import { proxy } from 'comlink'
import { computed, ref, shallowRef, watch } from 'vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import { siteWork } from '../../../workers/siteWork.ts'
import BarChart from '../../../parts/BarChart.vue'

/** The statistics of the site: what is counted, and how far pages are from the home page. */
const openSite = useOpenSite()
const statistics = shallowRef<Statistics>()
/** How many pages are read so far. */
const read = ref(0)
/** The entries of the plan, nearly all of which are pages. */
const all = computed(() => openSite.shown.plan.entries.size)

watch(
  () => openSite.site,
  async (site) => {
    const found = await siteWork.statistics(proxy((count: number) => void (read.value = count)))
    if (found && site === openSite.site) statistics.value = found
  },
  { immediate: true },
)

const number = new Intl.NumberFormat('en-GB')
const perPage = (count: number) =>
  number.format(Math.round((10 * count) / (statistics.value!.onSite || 1)) / 10)

const told = computed(() => {
  const all = statistics.value!
  return [
    { figure: all.pages.size, words: 'pages in the plan', more: stateWords(all) },
    { figure: all.onSite, words: 'pages on the site now' },
    {
      figure: all.navigationLinks,
      words: 'navigation links kept up to date',
      more: `${perPage(all.navigationLinks)} a page; ${number.format(all.menuLinks)} of them in menus`,
    },
    { figure: all.textLinks, words: 'links in text', more: `${perPage(all.textLinks)} a page` },
    {
      figure: all.byClicks.length - 1,
      words: 'most clicks from home',
      more: all.unreached > 0 ? `${all.unreached} pages cannot be reached by links at all` : '',
    },
  ]
})

function stateWords({ byState }: Statistics): string {
  return STATES.map((state) => `${number.format(byState[state])} ${state}`).join(', ')
}
</script>

<template>
  <section class="statistics" tabindex="0" aria-label="Statistics of the site">
    <p v-if="!statistics" class="reading" role="status">
      Reading the pages
      <Progress
        class="progress"
        :percent="Math.round((100 * read) / all)"
        :show-info="false"
        size="small"
        aria-label="Pages read"
      />
    </p>
    <template v-else>
      <dl>
        <div v-for="{ figure, words, more } in told" :key="words">
          <dt>{{ words }}</dt>
          <dd class="figure">{{ number.format(figure) }}</dd>
          <dd v-if="more" class="more">{{ more }}</dd>
        </div>
      </dl>
      <div class="charts">
        <BarChart title="Pages by depth" axis="levels under the home page" :counts="statistics.byDepth" />
        <BarChart
          title="Pages by clicks from home"
          axis="clicks, by the shortest way over all links"
          :counts="statistics.byClicks"
        />
      </div>
    </template>
  </section>
</template>

<style scoped>
.statistics {
  overflow-y: auto;
}

.reading {
  display: flex;
  align-items: center;
  gap: 12px;
}

.progress {
  width: 220px;
}

dl {
  display: grid;
  grid-template-columns: repeat(5, minmax(0, 1fr));
  gap: 14px;
  margin: 8px 0 20px;
}

dl > div {
  display: flex;
  flex-direction: column;
  padding: 10px 14px;
  background: var(--card);
  border: 1px solid var(--rule);
  border-radius: 3px;
}

dt {
  order: 2;
}

dd {
  margin: 0;
}

.figure {
  order: 1;
  font: 600 30px/1.15 var(--sign);
}

.more {
  order: 3;
  margin-top: 4px;
  color: var(--slate);
  font-size: 13px;
}

.charts {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 14px;
}

@media (max-width: 820px) {
  dl {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }

  .charts {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
