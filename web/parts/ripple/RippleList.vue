<script setup lang="ts">
import type { PagePart } from '@viatica/core/page/parts.ts'
import type { PageRipple, Ripple } from '@viatica/core/ripple/ripple.ts'
import { defineAsyncComponent, ref, shallowRef, watch } from 'vue'
import { siteWork } from '../../workers/siteWork.ts'
import VirtualRows from '../VirtualRows.vue'

/** Comparing texts is needed by who looks into a page. */
const BeforeAfter = defineAsyncComponent(() => import('./BeforeAfter.vue'))

/** What a change does, page by page; of the page that is looked at, part by part, before and after. */
const props = defineProps<{
  ripple: Ripple
  /** Whether it is the last step, or a change that is not made yet. */
  of: 'last' | 'foreseen'
}>()

const page = shallowRef<PageRipple>()
const parts = shallowRef<readonly { part: PagePart; before: string; after: string }[]>([])
const shownFor = ref(0)

watch(
  () => props.ripple,
  ({ pages }) => (page.value = pages[0]),
  { immediate: true },
)
watch(
  page,
  async (now) => {
    const mine = ++shownFor.value
    const shown = []
    for (const part of now?.parts ?? [])
      shown.push({ part, ...(await siteWork.part(props.of, now!.page, part)) })
    if (mine === shownFor.value) parts.value = shown
  },
  { immediate: true },
)

function place({ before, after }: PageRipple): string {
  if (before === undefined) return 'comes'
  if (after === undefined) return 'goes'
  return before === after ? '' : 'moves'
}
</script>

<template>
  <div class="ripple">
    <p v-if="ripple.pages.length === 0" class="quiet">No page of the finished site changes.</p>
    <template v-else>
      <VirtualRows v-slot="{ row }" class="pages" :rows="ripple.pages" :row-height="46" label="Pages">
        <button type="button" class="page" :class="{ here: row === page }" @click="page = row">
          <span class="name">{{ row.label }}</span>
          <span class="what">
            <template v-if="place(row)">{{ place(row) }}</template
            ><template v-if="place(row) && row.parts.length > 0">: </template>{{ row.parts.join(', ') }}
          </span>
        </button>
      </VirtualRows>
      <div v-if="page" class="parts" tabindex="0" role="region" :aria-label="`What changes on ${page.label}`">
        <p class="address">
          <template v-if="page.before !== page.after">
            <code v-if="page.before"><del>{{ page.before }}</del></code
            ><span v-else class="quiet">not on the site</span>
            →
            <code v-if="page.after"><ins>{{ page.after }}</ins></code
            ><span v-else class="quiet">not on the site</span>
          </template>
          <code v-else>{{ page.after }}</code>
        </p>
        <section v-for="{ part, before, after } in parts" :key="part">
          <h3>{{ part }}<template v-if="part === 'text links'"> ({{ page.textLinks }})</template></h3>
          <BeforeAfter :before="before" :after="after" />
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.ripple {
  display: grid;
  grid-template-columns: 280px minmax(0, 1fr);
  gap: 16px;
  height: min(430px, calc(100vh - 330px));
}

.pages {
  border: 1px solid var(--rule);
}

.page {
  display: grid;
  align-content: center;
  width: 100%;
  height: 46px;
  padding: 0 10px;
  color: inherit;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--rule);
  border-left: 5px solid transparent;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.page:hover {
  background: #f2eee0;
}

.here,
.here:hover {
  background: var(--here);
  border-left-color: var(--ochre);
}

.page:focus-visible {
  outline-offset: -2px;
}

.name,
.what {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.name {
  font-weight: 500;
}

.what {
  color: #4f5e5d;
  font-size: 12.5px;
}

.parts {
  min-height: 0;
  overflow-y: auto;
}

.address {
  margin: 2px 0 10px;
}

.address code {
  font-size: 13px;
}

del {
  color: var(--brick);
}

ins {
  color: var(--pine);
}

h3 {
  margin: 8px 0 4px;
  font-size: 15px;
}

h3::first-letter {
  text-transform: uppercase;
}

@media (max-width: 820px) {
  .ripple {
    grid-template-columns: minmax(0, 1fr);
    height: auto;
  }
}
</style>
