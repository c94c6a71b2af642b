<script setup lang="ts">
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import type { PageSight } from '@viatica/core/seen/seen.ts'
import { Button, Checkbox, Progress, Spin } from 'ant-design-vue'
import { computed, onBeforeUnmount, ref } from 'vue'
import VirtualRows from '../../../parts/VirtualRows.vue'
import { useChosen } from '../../../stores/chosen.ts'
import { useLooking } from '../../../stores/looking.ts'
import { useOpenSite } from '../../../stores/openSite.ts'
import LookThrough from './LookThrough.vue'
import SightMark from './SightMark.vue'
import { sightWords } from './sightWords.ts'

/** The account of what somebody has looked at: a tick falls when its page comes out otherwise. */
const openSite = useOpenSite()
const chosen = useChosen()
const looking = useLooking()
onBeforeUnmount(looking.keepUp())

const onlyLeft = ref(false)
const isLooking = ref(false)
const rows = computed(() => (onlyLeft.value ? looking.left : (looking.pages ?? [])))
const seen = computed(() => (looking.pages?.length ?? 0) - looking.left.length)

function entryOf(page: EntryId) {
  const entry = openSite.shown.plan.entries.get(page)
  return entry?.kind === 'page' ? entry : undefined
}
const labelled = (page: EntryId) => {
  const entry = entryOf(page)
  return entry ? labelOf(entry) : 'a page that is gone'
}
const words = (sight: PageSight) => sightWords(sight, entryOf(sight.page)?.seen?.on)

function start(): void {
  if (looking.here?.state === 'seen' || !looking.here) looking.next()
  if (!looking.here && looking.pages?.[0]) chosen.choose(looking.pages[0].page)
  isLooking.value = true
}
</script>

<template>
  <div v-if="looking.pages" class="sight">
    <div class="bar">
      <Button type="primary" @click="start">Review the pages</Button>
      <Progress
        class="progress"
        :percent="Math.round((100 * seen) / (looking.pages.length || 1))"
        :show-info="false"
        size="small"
        aria-label="Pages reviewed"
      />
      <p role="status" class="words">
        <strong>{{ seen }} of {{ looking.pages.length }} pages reviewed</strong> as they are now
      </p>
      <Checkbox v-model:checked="onlyLeft">only what is left</Checkbox>
    </div>
    <VirtualRows
      v-if="rows.length > 0"
      class="rows"
      :rows="rows"
      :row-height="32"
      label="Pages in reading order"
    >
      <template #default="{ row }">
        <div class="row" :class="{ chosen: row.page === chosen.id }">
          <SightMark :state="row.state" />
          <button type="button" class="link-button name" @click="chosen.choose(row.page)">
            {{ labelled(row.page) }}
          </button>
          <span class="state">{{ words(row) }}</span>
          <Button
            size="small"
            :aria-label="`${row.state === 'seen' ? 'Mark as not reviewed' : 'Mark as reviewed'}: ${labelled(row.page)}`"
            @click="looking.tick(row.page, row.state !== 'seen')"
            >{{ row.state === 'seen' ? 'Mark as not reviewed' : 'Mark as reviewed' }}</Button
          >
        </div>
      </template>
    </VirtualRows>
    <p v-else class="none">
      {{
        looking.pages.length === 0 ? 'No page is on the site yet.' : 'Every page was looked at as it is now.'
      }}
    </p>
    <LookThrough v-if="isLooking" @close="isLooking = false" />
  </div>
  <Spin v-else tip="The pages are held against their ticks"><div class="spin" /></Spin>
</template>

<style scoped>
.sight {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
}

.bar {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
}

.progress {
  width: 160px;
}

/* Where that leaves no room beside the button, it is a line of its own. */
.words {
  flex: 1 1 180px;
  margin: 0;
}

.rows {
  flex: 1;
  background: var(--card);
  border: 1px solid var(--rule);
}

.row {
  display: grid;
  grid-template-columns: 18px minmax(0, 26%) minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  height: 100%;
  padding: 0 10px;
  border-left: 3px solid transparent;
}

.chosen {
  background: var(--here);
  border-left-color: var(--ochre);
}

.name,
.state {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.none {
  margin: 10vh auto 0;
  font-size: 16px;
}

.spin {
  height: 40vh;
}
</style>
