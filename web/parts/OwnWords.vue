<script setup lang="ts">
import { IconX } from '@tabler/icons-vue'
import { computed } from 'vue'
import { useOpenSite } from '../stores/openSite.ts'
import { useSpelling } from '../stores/spelling.ts'

/** The words that are spelt right on this site, whatever a dictionary says. */
const openSite = useOpenSite()
const spelling = useSpelling()
const words = computed(() => openSite.site!.settings.ownWords)
</script>

<template>
  <details v-if="words.length > 0">
    <summary>{{ words.length === 1 ? '1 word' : `${words.length} words` }} of the site’s own</summary>
    <ul>
      <li v-for="word in words" :key="word">
        {{ word }}
        <button
          type="button"
          class="small-button"
          :aria-label="`Remove ${word} from dictionary`"
          @click="spelling.forget(word)"
        >
          <IconX :size="13" aria-hidden="true" />
        </button>
      </li>
    </ul>
  </details>
</template>

<style scoped>
summary {
  color: var(--slate);
  cursor: pointer;
}

ul {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}

li {
  display: inline-flex;
  align-items: center;
}
</style>
