<script setup lang="ts">
import { IconX } from '@tabler/icons-vue'
import { Button, Input } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { useSpelling } from '../../stores/spelling.ts'

/** The words of the site’s own: names and terms that no dictionary has. */
const openSite = useOpenSite()
const spelling = useSpelling()
const typed = ref('')

const words = computed(() => openSite.site!.settings.ownWords)
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
    <ul v-if="words.length > 0" :aria-label="words.length === 1 ? '1 word' : `${words.length} words`">
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

ul {
  margin: 0;
  padding: 0;
  columns: 180px;
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
