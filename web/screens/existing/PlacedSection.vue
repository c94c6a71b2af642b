<script setup lang="ts">
import type { Overview, PlacedPage } from '@viatica/core/existing/overview.ts'
import { itemAt } from '@viatica/core/standard/present.ts'
import { computed, nextTick, ref } from 'vue'
import ChoiceField from '../../parts/ChoiceField.vue'
import VirtualRows from '../../parts/VirtualRows.vue'
import type { ExistingPages } from './existingPages.ts'
import { EVIDENCE_WORDS } from './words.ts'

/** The plan as it was understood: each page with what placed it, and what says otherwise. */
const props = defineProps<{ overview: Overview; existing: ExistingPages }>()

const pages = computed(() => props.overview.pages)
const titleOf = computed(() => new Map(pages.value.map(({ path, title }) => [path, title])))
const chosenPath = ref(props.overview.pages[0]?.path ?? '')
const place = computed(() => pages.value.findIndex(({ path }) => path === chosenPath.value))
const chosen = computed(() => pages.value[place.value])

const doubts = ({ against }: PlacedPage) => [
  ...new Set(
    against.map(
      ({ parent, evidence }) => `${EVIDENCE_WORDS[evidence]} says ${titleOf.value.get(parent) ?? parent}`,
    ),
  ),
]
const doubtful = computed(() => pages.value.filter((page) => page.against.length > 0))

/** Where a page can stand: not under itself. */
const parents = computed(() => {
  const page = chosen.value
  if (!page || page.parent === null) return []
  const from = place.value
  let to = from + 1
  while (to < pages.value.length && itemAt(pages.value, to).level > page.level) to++
  return pages.value
    .filter((_, at) => at < from || at >= to)
    .map(({ path, title, level }) => ({ value: path, label: `${'\u2003'.repeat(level)}${title} (${path})` }))
})

const list = ref<{ focusRow(index: number): Promise<void> }>()
async function moveUnder(path: string, parent: string | null | undefined): Promise<void> {
  const page = pages.value.find((one) => one.path === path)
  if (!page || parent === null || parent === undefined || parent === page.parent || parent === path) return
  await props.existing.correct({ kind: 'parent', path, parent })
  await nextTick()
  await list.value?.focusRow(place.value)
}

function press(event: KeyboardEvent): void {
  const page = chosen.value
  if (!page) return
  if (event.altKey && (event.key === 'ArrowLeft' || event.key === 'ArrowRight')) {
    event.preventDefault()
    const above = pages.value.slice(0, place.value)
    // As in the outline of a site: out to where its parent stands, in under the page before it.
    if (event.key === 'ArrowLeft') {
      void moveUnder(page.path, pages.value.find(({ path }) => path === page.parent)?.parent)
    } else {
      const before = above.findLast(({ level }) => level <= page.level)
      if (before?.level === page.level) void moveUnder(page.path, before.path)
    }
    return
  }
  const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
  if (by === 0) return
  event.preventDefault()
  const to = Math.min(pages.value.length - 1, Math.max(0, place.value + by))
  chosenPath.value = itemAt(pages.value, to).path
  void list.value?.focusRow(to)
}

const dragged = ref('')
const over = ref('')
function drop(path: string): void {
  const moved = dragged.value
  dragged.value = over.value = ''
  if (moved !== '') {
    chosenPath.value = moved
    void moveUnder(moved, path)
  }
}
</script>

<template>
  <p class="sum">
    The plan was worked out from the links, names and folders of the pages.
    <template v-if="doubtful.length > 0">
      {{ doubtful.length === 1 ? 'For one page' : `For ${doubtful.length} pages` }} the evidence disagrees.
    </template>
    Drag a page onto its parent page, or press Alt with ← or →.
  </p>
  <VirtualRows
    ref="list"
    class="rows"
    :rows="pages"
    :row-height="34"
    label="Pages in the order of the plan"
    :lead="Math.max(0, place)"
    @keydown="press"
  >
    <template #default="{ row, index }">
      <button
        type="button"
        draggable="true"
        class="row-button page"
        :class="{
          chosen: row.path === chosenPath,
          over: row.path === over,
          doubtful: row.against.length > 0,
        }"
        :tabindex="index === Math.max(0, place) ? 0 : -1"
        :aria-current="row.path === chosenPath ? 'true' : undefined"
        @click="chosenPath = row.path"
        @dragstart="dragged = row.path"
        @dragover.prevent="over = row.path"
        @dragleave="over = ''"
        @dragend="dragged = over = ''"
        @drop.prevent="drop(row.path)"
      >
        <span class="title" :style="{ paddingLeft: `${Math.min(row.level, 12) * 22}px` }">{{
          row.title
        }}</span>
        <code>{{ row.path }}</code>
        <span class="evidence">
          {{ row.parent === null ? 'the home page' : EVIDENCE_WORDS[row.evidence] }}
          <b v-if="row.against.length > 0"> · but {{ doubts(row).join('; ') }}</b>
        </span>
      </button>
    </template>
  </VirtualRows>
  <div v-if="chosen" class="under">
    <template v-if="chosen.parent === null"> <b>{{ chosen.title }}</b> is the home page. </template>
    <template v-else>
      <label for="stands-under">Parent page of <b>{{ chosen.title }}</b></label>
      <ChoiceField
        id="stands-under"
        :value="chosen.parent"
        :options="parents"
        @change="(parent: string) => moveUnder(chosen!.path, parent)"
      />
    </template>
  </div>
</template>

<style scoped>
.sum {
  flex: none;
  margin: 0;
}

.rows {
  flex: 1;
  min-height: 160px;
  background: var(--card);
  border: 1px solid var(--rule);
}

.page {
  display: grid;
  grid-template-columns: minmax(120px, 2fr) minmax(0, 2fr) minmax(0, 3fr);
  gap: 12px;
  align-items: center;
  text-align: left;
  white-space: nowrap;
}

.page > * {
  overflow: hidden;
  text-overflow: ellipsis;
}

.title {
  font-weight: 500;
}

.evidence {
  color: var(--slate);
}

.evidence b {
  color: var(--brick);
}

.chosen {
  background: var(--here);
}

.over {
  outline: 2px solid var(--pine);
  outline-offset: -2px;
}

.under {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
  min-height: 32px;
}

.under :deep(select) {
  max-width: 80vw;
}

@media (max-width: 700px) {
  .page {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }

  .page code {
    display: none;
  }
}
</style>
