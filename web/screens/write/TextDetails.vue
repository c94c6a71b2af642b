<script setup lang="ts">
import { itemAt } from '@viatica/core/standard/present.ts'
import IconAlertTriangle from '~icons/tabler/alert-triangle'
import { headingsOf, shiftHeadings } from '@viatica/core/content/headings.ts'
import type { LinkIn } from '@viatica/core/content/linksOfPage.ts'
import { countWords } from '@viatica/core/statistics/wordCount.ts'
import { wordsInContent, wordsInFields } from '@viatica/core/spelling/spelling.ts'
import { firstHeading } from '@viatica/core/navigate/title.ts'
import type { EntryField, PageEntry } from '@viatica/core/plan/entry.ts'
import type { SetEntry } from '@viatica/core/plan/change/change.ts'
import { Button } from 'ant-design-vue'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import MisspeltWord from '../../parts/MisspeltWord.vue'
import { movingChange } from '../../parts/movingChange.ts'
import OwnWords from '../../parts/OwnWords.vue'
import SavedText from '../../parts/SavedText.vue'
import { keptUp } from '../../stores/keptUp.ts'
import { useChosen } from '../../stores/chosen.ts'
import { useOpenSite } from '../../stores/openSite.ts'
import { useSpelling } from '../../stores/spelling.ts'
import { useWriting } from '../../stores/writing.ts'
import { siteWork } from '../../workers/siteWork.ts'

/** What stands beside the text: its headings, what the page is called, its words, the links that come in. */
const props = defineProps<{ page: PageEntry }>()
const emit = defineEmits<{ show: [at: number, start: number] }>()

const openSite = useOpenSite()
const chosen = useChosen()
const writing = useWriting()

const headings = computed(() => headingsOf(writing.readable))
const hasOwnFirst = computed(() => headings.value.some(({ level }) => level === 1))
const words = computed(() => countWords(writing.readable, openSite.shown.settings.language))

/** The links change with other texts: they are looked for when the typing pauses. */
const LINKS_PAUSE_MS = 800
/** Undefined before they are found. */
const linksIn = shallowRef<readonly LinkIn[]>()
async function findLinks(): Promise<void> {
  const page = props.page.id
  const found = await siteWork.incomingLinks(page)
  if (page === props.page.id) linksIn.value = found
}
const stopFinding = keptUp(openSite, findLinks, LINKS_PAUSE_MS)()
watch(
  () => props.page.id,
  () => {
    linksIn.value = undefined
    void findLinks()
  },
)
onBeforeUnmount(stopFinding)

const spelling = useSpelling()
/** The unknown word of which more is shown. */
const lookedAt = ref('')
const allWords = computed(
  () =>
    new Set(
      [wordsInContent(props.page, openSite.shown), ...wordsInFields(props.page).map(({ words }) => words)]
        .flat()
        .map(({ word }) => word),
    ),
)
watch(allWords, (words) => void spelling.lookUp(words), { immediate: true })
const misspelt = computed(() => [...allWords.value].filter((word) => !spelling.isRight(word)))

/** The headings that are moved together, by their places; none while nothing is chosen. */
const range = ref<readonly [number, number]>()

function chooseHeading(at: number, event: MouseEvent | KeyboardEvent): void {
  if (event.shiftKey && range.value) {
    const [first] = range.value
    range.value = [Math.min(first, at), Math.max(first, at)]
    return
  }
  range.value = [at, at]
  emit('show', at, itemAt(headings.value, at).start)
}

const isInRange = (at: number) => range.value !== undefined && at >= range.value[0] && at <= range.value[1]

/** Moves the chosen headings, or all, by a level; the editor shows the text anew. */
function shift(by: -1 | 1): void {
  const [from, to] = range.value ?? [0, headings.value.length - 1]
  const html = shiftHeadings(writing.text, from, to, by)
  if (html === writing.text) return
  writing.replace(html)
}

/** Search engines show about so many characters (common practice). */
const TITLE_SHOWN = 60
const DESCRIPTION_SHOWN = 160

/** Other pages with the same text in a field. */
function sameElsewhere(field: 'title' | 'description'): PageEntry[] {
  const text = props.page[field].trim().toLowerCase()
  if (text === '') return []
  return [...openSite.shown.plan.entries.values()].filter(
    (entry): entry is PageEntry =>
      entry.kind === 'page' && entry.id !== props.page.id && entry[field].trim().toLowerCase() === text,
  )
}
const sameTitle = computed(() => sameElsewhere('title'))
const sameDescription = computed(() => sameElsewhere('description'))

const id = props.page.id
const setter = (field: EntryField) => (value: string) =>
  openSite.make({ kind: 'setEntry', entry: id, field, value } as SetEntry)
</script>

<template>
  <div>
    <h2>Headings</h2>
    <ol class="headings" aria-label="Headings">
      <li v-if="!hasOwnFirst" class="own">{{ firstHeading(page) }} <small>from the title</small></li>
      <li
        v-for="(heading, at) in headings"
        :key="at"
        :style="{ paddingLeft: `${(heading.level - 1) * 12}px` }"
      >
        <button
          type="button"
          :class="{ chosen: isInRange(at) }"
          :aria-pressed="isInRange(at)"
          @click="chooseHeading(at, $event)"
        >
          <span class="level">{{ heading.level }}</span> {{ heading.text || 'no text' }}
          <span v-if="heading.warning" class="warning">
            <IconAlertTriangle width="13" height="13" aria-hidden="true" /> {{ heading.warning }}
          </span>
        </button>
      </li>
    </ol>
    <p v-if="writing.isTooLong" class="quiet">Not read: the text is too long.</p>
    <p v-else-if="headings.length === 0" class="quiet">No headings in the text yet.</p>
    <div v-else class="shift">
      <Button size="small" @click="shift(-1)">Raise {{ range ? 'chosen' : 'all' }} headings</Button>
      <Button size="small" @click="shift(1)">Lower {{ range ? 'chosen' : 'all' }} headings</Button>
      <span v-if="range" class="quiet">Shift adds up to another.</span>
    </div>

    <h2>The page</h2>
    <SavedText
      label="Title"
      :value="page.title"
      :save="setter('title')"
      :foresee="movingChange(id, 'title')"
      :entry="id"
    >
      <template #hint>
        {{ page.title.length }} characters{{
          page.title.length > TITLE_SHOWN ? `, of which search engines show about ${TITLE_SHOWN}` : ''
        }}<span v-if="sameTitle.length > 0" class="warning"
          >; “{{ sameTitle[0]!.title }}” is the title of another page too</span
        >
      </template>
    </SavedText>
    <SavedText
      label="Page heading (h1)"
      placeholder="same as the title"
      :value="page.heading"
      :save="setter('heading')"
    />
    <SavedText
      label="Description for search engines"
      :rows="3"
      :value="page.description"
      :save="setter('description')"
    >
      <template #hint>
        {{ page.description.length }} characters{{
          page.description.length > DESCRIPTION_SHOWN
            ? `, of which about ${DESCRIPTION_SHOWN} are shown`
            : ''
        }}<span v-if="sameDescription.length > 0" class="warning"
          >; the same as that of “{{ sameDescription[0]!.title }}”</span
        >
      </template>
    </SavedText>
    <p class="quiet">
      {{ writing.isTooLong ? 'Words not counted' : `${words} words`
      }}<template v-if="page.body.changed">, last changed {{ page.body.changed }}</template>
    </p>

    <h2>Spelling</h2>
    <p v-if="spelling.dictionaries.length === 0" class="quiet">
      No dictionary of this site’s language comes with Viatica.
    </p>
    <p v-else-if="misspelt.length === 0" class="quiet">No spelling errors.</p>
    <ul v-else class="links">
      <li v-for="word in misspelt" :key="word">
        <button
          type="button"
          class="link-button"
          :aria-expanded="word === lookedAt"
          @click="lookedAt = word === lookedAt ? '' : word"
        >
          {{ word }}
        </button>
        <MisspeltWord v-if="word === lookedAt" :place="{ in: 'entry', entry: page.id }" :word="word" />
      </li>
    </ul>

    <OwnWords />

    <h2>Incoming links</h2>
    <p v-if="!linksIn" class="quiet">Looking for links …</p>
    <ul v-else-if="linksIn.length > 0" class="links">
      <li v-for="link in linksIn" :key="link.from">
        <button type="button" class="link-button" @click="chosen.choose(link.from)">{{ link.label }}</button>
        <span v-if="link.count > 1" class="quiet"> ×{{ link.count }}</span>
        <code v-for="fragment in link.fragments" :key="fragment" class="path"> #{{ fragment }}</code>
      </li>
    </ul>
    <p v-else class="quiet">No links from page content.</p>
  </div>
</template>

<style scoped>
h2 {
  margin: 16px 0 8px;
  padding-bottom: 3px;
  border-bottom: 2px solid var(--pine);
  font-size: 16px;
}

h2:first-child {
  margin-top: 0;
}

ol,
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

.links {
  line-height: 1.6;
}

.own {
  padding: 2px 6px;
  font-weight: 600;
}

.own small {
  color: var(--slate);
  font-weight: 400;
}

.headings button {
  width: 100%;
  padding: 2px 6px;
  color: inherit;
  background: none;
  border: 0;
  border-left: 3px solid transparent;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.headings button:hover {
  background: rgb(29 43 42 / 5%);
}

.headings .chosen {
  background: #e2ece4;
  border-left-color: var(--pine);
}

.level {
  color: var(--slate);
  font-size: 12px;
}

.warning {
  color: var(--brick);
  font-size: 13px;
}

.shift {
  display: flex;
  align-items: center;
  gap: 6px;
  margin-top: 6px;
}
</style>
