<script setup lang="ts">
import { type Component, computed } from 'vue'
import { useRoute } from 'vue-router'
import ViewNav from '../../parts/ViewNav.vue'
import StopLayout from '../site/StopLayout.vue'
import FindingDetails from './FindingDetails.vue'
import FindingsBoard from './FindingsBoard.vue'
import WalkBoard from './WalkBoard.vue'

/** One way to be certain that nothing is broken. */
interface View {
  readonly name: string
  readonly label: string
  readonly board: Component
}

const VIEWS: readonly View[] = [
  { name: '', label: 'Findings', board: FindingsBoard },
  { name: 'walk', label: 'Walk', board: WalkBoard },
]

const route = useRoute()
const view = computed(() => VIEWS.find(({ name }) => name === (route.params['view'] ?? '')) ?? VIEWS[0]!)
</script>

<template>
  <StopLayout details-label="The chosen finding" :has-details="view.name === ''">
    <h1 class="unseen">Proof: {{ view.label }}</h1>
    <ViewNav label="Views of the proof" stop="proof" :views="VIEWS" :shown="view.name" class="views" />
    <component :is="view.board" />
    <template #details><FindingDetails /></template>
  </StopLayout>
</template>

<style scoped>
.views {
  margin-bottom: 8px;
}
</style>
