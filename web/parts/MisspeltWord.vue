<script setup lang="ts">
import type { SpeltPlace } from '@viatica/core/spelling/correction.ts'
import { Button } from 'ant-design-vue'
import { ref, watch } from 'vue'
import { useSpelling } from '../stores/spelling.ts'

/** What can be done about a word that no dictionary has: write it otherwise, or keep it as one of the site's own. */
const props = defineProps<{ place: SpeltPlace; word: string }>()

const spelling = useSpelling()
/** Undefined while they are sought. */
const suggestions = ref<readonly string[]>()

watch(
  () => props.word,
  async (word) => {
    suggestions.value = undefined
    const found = await spelling.suggestions(word)
    if (word === props.word) suggestions.value = found
  },
  { immediate: true },
)
</script>

<template>
  <div class="word" role="group" :aria-label="`Spelling of ${word}`">
    <span v-if="!suggestions" class="quiet">Looking it up …</span>
    <span v-else-if="suggestions.length === 0" class="quiet">No word is like it.</span>
    <Button v-for="one in suggestions" :key="one" size="small" @click="spelling.correct(place, word, one)">{{
      one
    }}</Button>
    <Button size="small" type="dashed" @click="spelling.keep(word)">Add to dictionary</Button>
  </div>
</template>

<style scoped>
.word {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 2px 0 8px;
}
</style>
