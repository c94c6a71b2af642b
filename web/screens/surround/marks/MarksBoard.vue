<script setup lang="ts">
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import { ancestorsOf, childrenOf, entryOf, walk } from '@viatica/core/plan/plan.ts'
import { indexOfMenu, itemsOf } from '@viatica/core/navigate/menu.ts'
import { isWritten } from '@viatica/core/plan/site.ts'
import { computed } from 'vue'
import LivePage from '../../../parts/LivePage.vue'
import { useOpenSite } from '../../../stores/openSite.ts'

/** The same menus on four pages that stand differently to them, side by side. */
const openSite = useOpenSite()

const site = computed(() => openSite.shown)

interface Sample {
  readonly what: string
  readonly page: EntryId | undefined
}

const samples = computed<Sample[]>(() => {
  const { plan, surround } = site.value
  const pages = [...walk(plan)].flatMap(({ entry }) => (isWritten(site.value, entry) ? [entry.id] : []))
  const menu = surround.menus.find((one) => one.kind === 'plan' && one.from.at === 'home')
  const inMenu = menu ? indexOfMenu(itemsOf(site.value, menu, plan.home)).itemOf : new Map()
  const section = pages.find((id) => id !== plan.home && inMenu.has(id) && childrenOf(plan, id).length > 0)
  const inside = pages.find((id) => section !== undefined && ancestorsOf(plan, id).includes(section))
  return [
    { what: 'the home page', page: plan.home },
    { what: 'a section', page: section },
    { what: 'a page inside it', page: inside },
    { what: 'a page in no menu', page: pages.find((id) => !inMenu.has(id)) },
  ]
})
</script>

<template>
  <div class="samples">
    <figure v-for="{ what, page } in samples" :key="what">
      <figcaption>
        On <b>{{ what }}</b>
        <span v-if="page" class="quiet"> · {{ labelOf(entryOf(site.plan, page)) }}</span>
      </figcaption>
      <LivePage v-if="page" :page="page" :width="1280" class="page" />
      <p v-else class="quiet">The plan has no such page.</p>
    </figure>
  </div>
</template>

<style scoped>
.samples {
  display: grid;
  flex: 1;
  grid-template: 1fr 1fr / 1fr 1fr;
  gap: 10px;
  min-height: 0;
}

figure {
  display: flex;
  flex-direction: column;
  min-height: 0;
  margin: 0;
}

figcaption {
  margin-bottom: 3px;
}

.page {
  flex: 1;
}
</style>
