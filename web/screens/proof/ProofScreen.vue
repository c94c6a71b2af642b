<script setup lang="ts">
import { type Component, computed } from 'vue'
import { useRoute } from 'vue-router'
import ViewNav from '../../parts/ViewNav.vue'
import StopLayout from '../site/StopLayout.vue'
import FindingDetails from './FindingDetails.vue'
import FindingsBoard from './FindingsBoard.vue'
import CellDetails from './links/CellDetails.vue'
import LinkBoard from './links/LinkBoard.vue'
import SightBoard from './sight/SightBoard.vue'
import WalkBoard from './WalkBoard.vue'

/** One way to be certain that nothing is broken. */
interface View {
  readonly name: string
  readonly label: string
  readonly board: Component
  /** What stands at the right of it, and what that is called. */
  readonly details?: Component
  readonly detailsLabel?: string
}

const VIEWS: readonly View[] = [
  {
    name: '',
    label: 'Findings',
    board: FindingsBoard,
    details: FindingDetails,
    detailsLabel: 'The chosen finding',
  },
  { name: 'link-check', label: 'Link check', board: WalkBoard },
  { name: 'review', label: 'Review', board: SightBoard },
  { name: 'links', label: 'Links', board: LinkBoard, details: CellDetails, detailsLabel: 'Link statistics' },
]

const route = useRoute()
const view = computed(() => VIEWS.find(({ name }) => name === (route.params['view'] ?? '')) ?? VIEWS[0]!)
</script>

<template>
  <StopLayout :details-label="view.detailsLabel ?? ''" :has-details="view.details !== undefined">
    <h1 class="unseen">Proof: {{ view.label }}</h1>
    <ViewNav label="Views of the proof" stop="proof" :views="VIEWS" :shown="view.name" class="views" />
    <component :is="view.board" />
    <template #details><component :is="view.details" /></template>
  </StopLayout>
</template>

<style scoped>
.views {
  margin-bottom: 8px;
}
</style>
