<script setup lang="ts">
import { type Component, computed, defineAsyncComponent } from 'vue'
import { useRoute } from 'vue-router'
import ViewNav from '../../parts/ViewNav.vue'
import { useChosen } from '../../stores/chosen.ts'
import { PLAN_VIEWS } from './views.ts'
import StopLayout from '../site/StopLayout.vue'
import EntryDetails from './EntryDetails.vue'
import PageView from './PageView.vue'
import SelectionDetails from './SelectionDetails.vue'

/** One way to look at the plan. */
interface View {
  readonly name: string
  readonly label: string
  readonly component: Component
  readonly hasDetails: boolean
}

/** A view that is loaded when it is first looked at. */
const later = (name: keyof typeof PLAN_VIEWS): Component => defineAsyncComponent(PLAN_VIEWS[name])

const VIEWS: readonly View[] = [
  { name: '', label: 'Page', component: PageView, hasDetails: true },
  { name: 'structure', label: 'Structure', component: later('structure'), hasDetails: true },
  { name: 'inventory', label: 'Inventory', component: later('inventory'), hasDetails: false },
  { name: 'addresses', label: 'Addresses', component: later('addresses'), hasDetails: false },
  { name: 'statistics', label: 'Statistics', component: later('statistics'), hasDetails: false },
  { name: 'history', label: 'History', component: later('history'), hasDetails: false },
]

const route = useRoute()
const chosen = useChosen()
const view = computed(() => VIEWS.find(({ name }) => name === (route.params['view'] ?? '')) ?? VIEWS[0]!)
</script>

<template>
  <StopLayout details-label="Details of what is chosen" :has-details="view.hasDetails">
    <h1 class="unseen">Plan: {{ view.label }}</h1>
    <ViewNav label="Views of the plan" stop="plan" :views="VIEWS" :shown="view.name" class="views" />
    <component :is="view.component" class="view" />
    <template #details>
      <SelectionDetails v-if="chosen.ids.size > 1" />
      <EntryDetails v-else :key="chosen.id" />
    </template>
  </StopLayout>
</template>

<style scoped>
.views {
  margin-bottom: 8px;
}

.view {
  flex: 1;
  min-height: 0;
}
</style>
