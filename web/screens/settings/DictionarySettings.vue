<script setup lang="ts">
import { Button, Input } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useDraft } from '../../parts/draft.ts'
import WordList from '../../parts/WordList.vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { useSpelling } from '../../stores/spelling.ts'

/** The words of the site’s own: names and terms that no dictionary has. */
const openSite = useOpenSite()
const spelling = useSpelling()
const typed = ref('')
useDraft({
  site: openSite.id,
  form: 'dictionary',
  words: 'Add words',
  content: () => typed.value.trim() || undefined,
  restore: (words) => (typed.value = words),
})

const words = computed(() => openSite.shown.settings.ownWords)
/** Several are added at once, as they come from a list. */
function add(): void {
  const asked = typed.value.split(/[\s,;]+/).filter((word) => word !== '')
  if (asked.length > 0 && spelling.keep(...asked)) typed.value = ''
}
</script>

<template>
  <div>
    <p class="quiet">
      Words that are right on this site, though no dictionary has them: the names of people, places and
      things.
    </p>
    <form class="add" @submit.prevent="add">
      <label class="field-label" for="word">Add words</label>
      <Input id="word" v-model:value="typed" placeholder="one, or several with commas between them" />
      <Button html-type="submit" :disabled="typed.trim() === ''">Add</Button>
    </form>
    <WordList v-if="words.length > 0" />
    <p v-else>There are no words of your own yet.</p>
  </div>
</template>

<style scoped>
p {
  margin: 0 0 10px;
}

.add {
  display: grid;
  grid-template-columns: minmax(0, 360px) auto;
  gap: 2px 8px;
  align-items: center;
  justify-content: start;
  margin-bottom: 12px;
}

.field-label {
  grid-column: 1 / -1;
}
</style>
