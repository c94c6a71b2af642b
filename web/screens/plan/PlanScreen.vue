<script setup lang="ts">
import { type Component, computed, defineAsyncComponent } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { useChosen } from '../../stores/chosen.ts'
import { useOpenSite } from '../../stores/openSite.ts'
import StopLayout from '../site/StopLayout.vue'
import AddressesView from './addresses/AddressesView.vue'
import EntryDetails from './EntryDetails.vue'
import HistoryView from './history/HistoryView.vue'
import InventoryView from './inventory/InventoryView.vue'
import PageView from './PageView.vue'
import SelectionDetails from './SelectionDetails.vue'
import StructureView from './structure/StructureView.vue'

/** One way to look at the plan. */
interface View {
  readonly name: string
  readonly label: string
  readonly component: Component
  readonly hasDetails: boolean
}

const VIEWS: readonly View[] = [
  { name: '', label: 'Page', component: PageView, hasDetails: true },
  { name: 'structure', label: 'Structure', component: StructureView, hasDetails: true },
  { name: 'inventory', label: 'Inventory', component: InventoryView, hasDetails: false },
  { name: 'addresses', label: 'Addresses', component: AddressesView, hasDetails: false },
  {
    name: 'figures',
    label: 'Figures',
    // Charts are heavy, and looked at now and then.
    component: defineAsyncComponent(() => import('./figures/FiguresView.vue')),
    hasDetails: false,
  },
  { name: 'history', label: 'History', component: HistoryView, hasDetails: false },
]

const route = useRoute()
const openSite = useOpenSite()
const chosen = useChosen()
const view = computed(() => VIEWS.find(({ name }) => name === (route.params['view'] ?? '')) ?? VIEWS[0]!)
</script>

<template>
  <StopLayout details-label="Details of what is chosen" :has-details="view.hasDetails">
    <h1 class="unseen">Plan: {{ view.label }}</h1>
    <nav class="views" aria-label="Views of the plan">
      <RouterLink
        v-for="one in VIEWS"
        :key="one.name"
        :to="{ name: 'plan', params: { id: openSite.id, view: one.name } }"
        :class="{ here: one === view }"
        :aria-current="one === view ? 'page' : undefined"
      >
        {{ one.label }}
      </RouterLink>
    </nav>
    <component :is="view.component" class="view" />
    <template #details>
      <SelectionDetails v-if="chosen.ids.size > 1" />
      <EntryDetails v-else :key="chosen.id" />
    </template>
  </StopLayout>
</template>

<style scoped>
.views {
  display: flex;
  flex: none;
  gap: 22px;
  margin-bottom: 8px;
}

.views a {
  padding: 0 1px 3px;
  color: var(--ink);
  border-bottom: 3px solid transparent;
  font: 500 15.5px/1.4 var(--sign);
  text-decoration: none;
}

.views a:hover {
  border-bottom-color: var(--rule);
}

.views .here,
.views .here:hover {
  border-bottom-color: var(--ochre);
  font-weight: 600;
}

.view {
  flex: 1;
  min-height: 0;
}
</style>
