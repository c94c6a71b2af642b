<script setup lang="ts">
import IconX from '~icons/tabler/x'
import { computed } from 'vue'
import { useOpenSite } from '../stores/openSite.ts'
import { useSpelling } from '../stores/spelling.ts'

/** The words that are spelt right on this site, whatever a dictionary says, each with a way to take it out. */
const openSite = useOpenSite()
const spelling = useSpelling()
const words = computed(() => openSite.shown.settings.ownWords)
</script>

<template>
  <ul :aria-label="words.length === 1 ? '1 word' : `${words.length} words`">
    <li v-for="word in words" :key="word">
      {{ word }}
      <button
        type="button"
        class="small-button"
        :aria-label="`Remove ${word} from dictionary`"
        @click="spelling.forget(word)"
      >
        <IconX width="13" height="13" aria-hidden="true" />
      </button>
    </li>
  </ul>
</template>

<style scoped>
ul {
  margin: 4px 0 0;
  padding: 0;
  columns: 120px;
  list-style: none;
}

li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  border-bottom: 1px solid var(--rule);
  break-inside: avoid;
}
</style>
