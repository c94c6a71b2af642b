<script setup lang="ts">
import { type Component, computed } from 'vue'
import { useRoute } from 'vue-router'
import ViewNav from '../../parts/ViewNav.vue'
import AddressRules from '../plan/addresses/AddressRules.vue'
import StopLayout from '../site/StopLayout.vue'
import DictionarySettings from './DictionarySettings.vue'
import GeneralSettings from './GeneralSettings.vue'

/** What holds for the site as a whole, in one place. */
const VIEWS: readonly { readonly name: string; readonly label: string; readonly board: Component }[] = [
  { name: '', label: 'General', board: GeneralSettings },
  { name: 'addresses', label: 'Addresses', board: AddressRules },
  { name: 'dictionary', label: 'Dictionary', board: DictionarySettings },
]

const route = useRoute()
const view = computed(() => VIEWS.find(({ name }) => name === (route.params['view'] ?? '')) ?? VIEWS[0]!)
</script>

<template>
  <StopLayout :has-details="false" details-label="">
    <h1>Settings</h1>
    <ViewNav class="views" label="Settings" stop="settings" :views="VIEWS" :shown="view.name" />
    <component :is="view.board" class="board" />
  </StopLayout>
</template>

<style scoped>
h1 {
  flex: none;
  font-size: 20px;
}

.views {
  flex: none;
  margin-bottom: 14px;
}

.board {
  flex: 1 0 auto;
}
</style>
