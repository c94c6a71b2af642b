<script setup lang="ts">
import { computed } from 'vue'
import { useOpenSite } from '../stores/openSite.ts'
import WordList from './WordList.vue'

/** The words that are spelt right on this site, whatever a dictionary says. */
const openSite = useOpenSite()
const words = computed(() => openSite.shown.settings.ownWords)
</script>

<template>
  <details v-if="words.length > 0">
    <summary>{{ words.length === 1 ? '1 word' : `${words.length} words` }} of the site’s own</summary>
    <WordList />
  </details>
</template>

<style scoped>
summary {
  color: var(--slate);
  cursor: pointer;
}
</style>
