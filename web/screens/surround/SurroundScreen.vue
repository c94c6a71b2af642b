<script setup lang="ts">
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { type EntryId, labelOf } from '@viatica/core/plan/entry.ts'
import { childrenOf, entryOf, walk } from '@viatica/core/plan/plan.ts'
import { isWritten, type Site } from '@viatica/core/plan/site.ts'
import { computed, ref } from 'vue'
import LivePage from '../../parts/LivePage.vue'
import WidthChoice from '../../parts/WidthChoice.vue'
import { useChosen } from '../../stores/chosen.ts'
import { useOpenSite } from '../../stores/openSite.ts'
import StopLayout from '../site/StopLayout.vue'
import SurroundSettings from './SurroundSettings.vue'

const openSite = useOpenSite()
const chosen = useChosen()
const width = ref(768)

/** The home page, a section and the deepest page: where surrounds differ most, if they differ. */
function samples(site: Site): EntryId[] {
  const { plan } = site
  const pages = [...walk(plan)].filter(({ entry }) => isWritten(site, entry))
  const section = pages.find(({ entry, depth }) => depth > 0 && childrenOf(plan, entry.id).length > 0)
  const deepest = pages.reduce((best, page) => (page.depth > best.depth ? page : best), pages[0]!)
  const chosen = [plan.home, section?.entry.id, deepest.entry.id].filter((id) => id !== undefined)
  return [...new Set(chosen)]
}

const shown = computed(() => samples(openSite.site!))
const written = computed(() => {
  const site = openSite.site!
  return [...site.plan.entries.values()].filter((entry) => isWritten(site, entry)).length
})
const path = (id: EntryId) => addressesOf(openSite.site!).paths.get(id)!
</script>

<template>
  <StopLayout has-details details-label="Settings of the surround">
    <div class="bar">
      <h1>The same around every page</h1>
      <WidthChoice v-model="width" />
    </div>
    <div class="pages">
      <figure v-for="id in shown" :key="id">
        <LivePage :page="id" :width="width" class="page" />
        <figcaption>
          <button type="button" class="link-button name" @click="chosen.choose(id)">
            {{ labelOf(entryOf(openSite.site!.plan, id)) }}
          </button>
          <code class="path">{{ path(id) }}</code>
        </figcaption>
      </figure>
    </div>
    <p class="quiet">
      {{ written === 1 ? '1 page carries' : `${written} pages carry` }} this header, menu and footer. From
      page to page only the mark on the current page and the relative paths differ.
    </p>
    <template #details><SurroundSettings /></template>
  </StopLayout>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  justify-content: space-between;
  min-height: 30px;
  padding-bottom: 6px;
}

h1 {
  font-size: 16px;
}

.pages {
  display: grid;
  grid-auto-columns: minmax(0, 1fr);
  grid-auto-flow: column;
  gap: 12px;
}

figure {
  display: flex;
  flex-direction: column;
  min-height: 0;
  margin: 0;
}

.page {
  aspect-ratio: 1 / 2;
}

.name {
  color: inherit;
  font-weight: 600;
  text-decoration: none;
}

.name:hover {
  text-decoration: underline;
}

figcaption {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  padding-top: 4px;
}

.path {
  max-width: 100%;
  overflow: hidden;
  color: var(--slate);
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
