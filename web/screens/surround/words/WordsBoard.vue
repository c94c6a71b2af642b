<script setup lang="ts">
import type { SetSite } from '@viatica/core/plan/change/change.ts'
import {
  type OwnWords,
  WORD_LANGUAGES,
  WORD_NAMES,
  type WordName,
  wordsOfLanguage,
} from '@viatica/core/plan/surround/siteWords.ts'
import { computed } from 'vue'
import SavedText from '../../../parts/SavedText.vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import { useSurrounding } from '../../../stores/surrounding.ts'

/** The words that Viatica writes on pages, the language they follow, and the pattern of titles. */
const openSite = useOpenSite()
const surrounding = useSurrounding()

const settings = computed(() => openSite.site!.settings)
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

const setSite = (field: SetSite['field'], value: unknown) =>
  openSite.make({ kind: 'setSite', field, value } as SetSite)

/** Sets a word of the author; an empty one gives way to that of the language. */
function setWord(name: WordName, text: string): string | undefined {
  const others = Object.entries(own.value).filter(([other]) => other !== name)
  const words = text.trim() === '' ? others : [...others, [name, text]]
  return surrounding.setRule('words', Object.fromEntries(words) as OwnWords)
}
</script>

<template>
  <div class="words">
    <section aria-label="Language and titles">
      <h2>Language and titles</h2>
      <SavedText label="Language" code :value="settings.language" :save="(text) => setSite('language', text)">
        <template #hint
          >a tag such as en-GB or de; there are words for {{ WORD_LANGUAGES.join(', ') }}</template
        >
      </SavedText>
      <SavedText
        label="Title of a page"
        code
        :value="settings.titlePattern"
        :save="(text) => setSite('titlePattern', text)"
      >
        <template #hint>
          {title}, {section}, {site} and {tagline} stand for what they say; an empty one goes with the sign
          before it
        </template>
      </SavedText>
      <SavedText
        label="Title of the home page"
        code
        :value="settings.homeTitlePattern"
        :save="(text) => setSite('homeTitlePattern', text)"
      />
    </section>
    <section aria-label="Words on pages">
      <h2>Words on pages</h2>
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
        An empty field has the word of the language. {label} stands for the item that a submenu belongs to.
      </p>
    </section>
  </div>
</template>

<style scoped>
.words {
  display: grid;
  grid-template-columns: 1fr 2fr;
  gap: 28px;
}

h2 {
  margin-bottom: 10px;
  padding-bottom: 3px;
  border-bottom: 2px solid var(--pine);
  font-size: 16px;
}

.grid {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 16px;
}
</style>
