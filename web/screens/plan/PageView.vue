<script setup lang="ts">
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { childrenOf, entryOf } from '@viatica/core/plan/plan.ts'
import { valueFor } from '@viatica/core/standard/present.ts'
import { computed, ref } from 'vue'
import { sitesApi } from '../../api/sites.ts'
import LivePage from '../../parts/LivePage.vue'
import { startWidth } from '../../parts/pageWidths.ts'
import WidthChoice from '../../parts/WidthChoice.vue'
import { useChosen } from '../../stores/chosen.ts'
import { useOpenSite } from '../../stores/openSite.ts'

/** The chosen page as visitors will see it. */
const PLANNED_WORDS = {
  'left-out': 'planned: not in menus, and not written out yet',
  text: 'planned: plain text in menus, and not written out yet',
  'stand-in': 'planned: a placeholder page for now',
} as const

const openSite = useOpenSite()
const chosen = useChosen()
const width = ref(startWidth())

const page = computed(() => (chosen.entry?.kind === 'page' ? chosen.entry : undefined))
const path = computed(() => (page.value ? valueFor(addressesOf(openSite.shown).paths, page.value.id) : ''))
const pagesUnder = computed(() =>
  childrenOf(openSite.shown.plan, chosen.id)
    .map((id) => entryOf(openSite.shown.plan, id))
    .filter((entry) => entry.kind === 'page'),
)
</script>

<template>
  <div class="page-view">
    <template v-if="page">
      <div class="bar">
        <code class="path">{{ path }}</code>
        <span v-if="page.state === 'planned'" class="planned">{{
          PLANNED_WORDS[openSite.site!.settings.plannedPages]
        }}</span>
        <WidthChoice v-model="width" class="widths" />
        <a :href="sitesApi.previewUrl(openSite.id, path)" target="_blank" rel="noopener">Full view</a>
      </div>
      <LivePage :page="page.id" :width="width" class="page" />
    </template>
    <div v-else class="none">
      <template v-if="chosen.entry?.kind === 'group'">
        <h2>A group has no page of its own</h2>
        <p>In menus “{{ chosen.entry.label }}” is a label for what is under it; in breadcrumbs it is text.</p>
        <ul v-if="pagesUnder.length > 0">
          <li v-for="under in pagesUnder" :key="under.id">
            <button type="button" class="link-button" @click="chosen.choose(under.id)">
              {{ under.title }}
            </button>
          </li>
        </ul>
        <p v-else class="quiet">Nothing is under it yet, so it shows nowhere.</p>
      </template>
      <template v-else-if="chosen.entry?.kind === 'link'">
        <h2>A link has no page of its own</h2>
        <p>In menus “{{ chosen.entry.label }}” leads to its target, which is set at the right.</p>
      </template>
    </div>
  </div>
</template>

<style scoped>
.page-view {
  display: flex;
  flex-direction: column;
}

.bar {
  display: flex;
  flex: none;
  align-items: center;
  gap: 12px;
  min-height: 30px;
  padding-bottom: 6px;
}

.bar .path {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.planned {
  color: var(--slate);
}

.widths {
  margin-left: auto;
}

.page {
  flex: 1;
}

.none {
  max-width: 460px;
  margin: 8vh auto 0;
  font-size: 15px;
}
</style>
