<script setup lang="ts">
import { PLACES } from '@viatica/core/plan/surround/place.ts'
import PlaceBox from './PlaceBox.vue'
import TemplatesInstead from './TemplatesInstead.vue'

/** All pieces in the order in which they stand on a page: the way there by keyboard, and the overview. */
const above = PLACES.slice(0, PLACES.indexOf('before') + 1)
const below = PLACES.slice(PLACES.indexOf('after'))
</script>

<template>
  <div>
    <h2>Pieces on every page</h2>
    <p class="quiet help">Click to edit, drag to move: here or on the page.</p>
    <PlaceBox v-for="place in above" :key="place" :place="place" />
    <p class="content">Main content of the page</p>
    <PlaceBox v-for="place in below" :key="place" :place="place" />
    <TemplatesInstead />
  </div>
</template>

<style scoped>
h2 {
  font-size: 17px;
}

.help {
  margin: 0 0 4px;
  font-size: 13px;
}

.content {
  margin: 4px 0;
  padding: 3px 9px;
  color: var(--slate);
  background: repeating-linear-gradient(-45deg, #fffdf7 0 8px, #f6f3ea 8px 16px);
  border: 1px solid var(--rule);
  font-size: 13px;
}
</style>
