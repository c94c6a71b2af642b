<script setup lang="ts">
import { addressesOf } from '@viatica/core/address/addresses.ts'
import type { EntryId } from '@viatica/core/plan/entry.ts'
import { childrenOf, walk } from '@viatica/core/plan/plan.ts'
import { isWritten, type Site } from '@viatica/core/plan/site.ts'
import { computed, shallowRef } from 'vue'
import { sitesApi } from '../../api/sites.ts'
import EntryField from '../../parts/EntryField.vue'
import LivePage from '../../parts/LivePage.vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { useSurrounding } from '../../stores/surrounding.ts'

/** Three pages of the author's choice, at true width and scaled to fit; they change as one types. */
const openSite = useOpenSite()
const surrounding = useSurrounding()

const site = computed(() => openSite.site!)
const isPage = (id: EntryId) => isWritten(site.value, site.value.plan.entries.get(id))

/** The home page, a section and the deepest page: where surrounds differ most, if they differ. */
function samples({ plan }: Site): EntryId[] {
  const pages = [...walk(plan)].filter(({ entry }) => isPage(entry.id))
  const section = pages.find(({ entry, depth }) => depth > 0 && childrenOf(plan, entry.id).length > 0)
  const deepest = pages.reduce((best, page) => (page.depth > best.depth ? page : best), pages[0]!)
  return [plan.home, section?.entry.id ?? plan.home, deepest.entry.id]
}

const picked = shallowRef(samples(site.value))
/** A page that has gone meanwhile gives way to the home page. */
const shown = computed(() => picked.value.map((id) => (isPage(id) ? id : site.value.plan.home)))
const pick = (at: number, id: EntryId) => (picked.value = picked.value.with(at, id))
const fullUrl = (id: EntryId) => sitesApi.previewUrl(openSite.id, addressesOf(site.value).paths.get(id)!)
</script>

<template>
  <section class="pages" aria-label="Three pages as visitors see them">
    <figure v-for="(id, at) in shown" :key="at">
      <figcaption>
        <EntryField
          class="entry"
          :label="`Page ${at + 1}`"
          :site="site"
          :can-choose="isPage"
          :model-value="id"
          @update:model-value="(next) => pick(at, next)"
        />
        <a :href="fullUrl(id)" target="_blank" rel="noopener">Open full size</a>
      </figcaption>
      <LivePage :page="id" :width="surrounding.width" class="page" />
    </figure>
  </section>
</template>

<style scoped>
.pages {
  display: grid;
  flex: 1 0 220px;
  grid-auto-columns: minmax(0, 1fr);
  grid-auto-flow: column;
  gap: 10px;
  min-height: 0;
  margin-top: 8px;
}

figure {
  display: flex;
  flex-direction: column;
  min-height: 0;
  margin: 0;
}

figcaption {
  display: flex;
  align-items: center;
  gap: 8px;
  margin-bottom: 3px;
  font-size: 13px;
}

.entry {
  flex: 1;
  min-width: 0;
  margin: 0;
}

.entry :deep(.field-label) {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}

.entry :deep(.options) {
  position: absolute;
  right: 0;
  left: 0;
  z-index: 3;
}

.page {
  flex: 1;
}

/* Beside each other they would be too small to be read: one is shown, and chosen above it. */
@media (max-width: 820px) {
  figure:nth-child(n + 2) {
    display: none;
  }
}
</style>
