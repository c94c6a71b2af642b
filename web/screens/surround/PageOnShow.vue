<script setup lang="ts">
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { ancestorsOf, childrenOf, entryOf, walk } from '@viatica/core/plan/plan.ts'
import { isWritten } from '@viatica/core/plan/site.ts'
import { valueFor } from '@viatica/core/standard/present.ts'
import { computed } from 'vue'
import { sitesApi } from '../../api/sites.ts'
import LivePage from '../../parts/LivePage.vue'
import { useChosen } from '../../stores/chosen.ts'
import { useOpenSite } from '../../stores/openSite.ts'
import { useSurrounding } from '../../stores/surrounding.ts'
import OverPage from './pieces/OverPage.vue'

/** The chosen page, large enough to be read, as it changes while one edits what stands around it. */
defineProps<{
  /** What is chosen by a click on it: a piece, the menu that a piece shows, or the page that a link leads to. */
  chooses: 'piece' | 'menu' | 'page'
}>()

const openSite = useOpenSite()
const chosen = useChosen()
const surrounding = useSurrounding()

const site = computed(() => openSite.shown)
const isPage = (id: EntryId) => isWritten(site.value, site.value.plan.entries.get(id))
/** A group, a link or a page that is left out has none to show: the nearest page above it has. */
const shown = computed(() => {
  const { plan } = site.value
  return [...ancestorsOf(plan, chosen.id), chosen.id].findLast(isPage) ?? plan.home
})

/** Where surrounds differ most, if they differ: the home page, a section and the deepest page. */
const samples = computed(() => {
  const { plan } = site.value
  const pages = [...walk(plan)].filter(({ entry }) => isPage(entry.id))
  const section = pages.find(({ entry, depth }) => depth > 0 && childrenOf(plan, entry.id).length > 0)
  const deepest = pages.reduce((best, page) => (page.depth > best.depth ? page : best), pages[0]!)
  return [...new Set([plan.home, section?.entry.id ?? plan.home, deepest.entry.id])]
})
const name = (id: EntryId) => labelOf(entryOf(site.value.plan, id))
const path = computed(() => valueFor(addressesOf(site.value).paths, shown.value))
</script>

<template>
  <section class="on-show" aria-label="The chosen page as visitors see it">
    <div class="caption">
      <b class="name">{{ name(shown) }}</b>
      <code class="path">{{ path }}</code>
      <span v-if="samples.length > 1" class="samples">
        <span class="quiet" aria-hidden="true">See also</span>
        <template v-for="id in samples" :key="id">
          <button
            v-if="id !== shown"
            type="button"
            class="link-button"
            :aria-label="`Show the page ${name(id)}`"
            @click="chosen.choose(id)"
          >
            {{ name(id) }}
          </button>
        </template>
      </span>
      <a :href="sitesApi.previewUrl(openSite.id, path)" target="_blank" rel="noopener">Open full size</a>
    </div>
    <LivePage :page="shown" :width="surrounding.width" :is-whole="chooses !== 'page'" class="page">
      <template #over="{ scale, laidOut }">
        <OverPage v-if="chooses !== 'page'" :chooses="chooses" :scale="scale" :laid-out="laidOut" />
      </template>
    </LivePage>
  </section>
</template>

<style scoped>
.on-show {
  display: flex;
  flex: 1 0 320px;
  flex-direction: column;
  min-height: 0;
}

.caption {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 0 12px;
  align-items: center;
  min-height: 26px;
  font-size: 13px;
}

.path {
  flex: 1 1 60px;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.samples {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
}

.samples button,
.caption a {
  min-height: 24px;
  line-height: 24px;
}

.page {
  flex: 1;
}
</style>
