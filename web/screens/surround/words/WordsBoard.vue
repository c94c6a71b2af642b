<script setup lang="ts">
import {
  type OwnWords,
  WORD_NAMES,
  type WordName,
  wordsOfLanguage,
} from '@viatica/core/plan/surround/siteWords.ts'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import SavedText from '../../../parts/SavedText.vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import { useSurrounding } from '../../../stores/surrounding.ts'

/** The words that Viatica writes on pages; they follow the language of the site. */
const openSite = useOpenSite()
const surrounding = useSurrounding()

const settings = computed(() => openSite.shown.settings)
const usual = computed(() => wordsOfLanguage(settings.value.language))
const own = computed(() => surrounding.surround.words)

const LABELS: Readonly<Record<WordName, string>> = {
  skip: 'Skip link',
  menu: 'Button of a folded menu',
  submenu: 'Button of a submenu',
  breadcrumb: 'The breadcrumb is called',
  pager: 'The pager is called',
  previous: 'Previous',
  next: 'Next',
  up: 'Up',
  standIn: 'On a page not written yet',
  moved: 'Title where a page has moved',
  movedTo: 'Before its new address',
}

/** Sets a word of the author; an empty one gives way to that of the language. */
function setWord(name: WordName, text: string): string | undefined {
  const others = Object.entries(own.value).filter(([other]) => other !== name)
  const words = text.trim() === '' ? others : [...others, [name, text]]
  return surrounding.setRule('words', Object.fromEntries(words) as OwnWords)
}
</script>

<template>
  <div>
    <div class="grid">
      <SavedText
        v-for="name in WORD_NAMES"
        :key="name"
        :label="LABELS[name]"
        :placeholder="usual[name]"
        :value="own[name] ?? ''"
        :save="(text) => setWord(name, text)"
      />
    </div>
    <p class="quiet">
      An empty field has the word of the site’s language,
      <RouterLink :to="{ name: 'settings', params: { id: openSite.id } }">{{ settings.language }}</RouterLink
      >. {label} stands for the item that a submenu belongs to.
    </p>
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(220px, 100%), 1fr));
  gap: 0 16px;
}
</style>
