<script setup lang="ts">
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { wishedName } from '@viatica/core/address/wishedName.ts'
import { wayTo } from '@viatica/core/navigate/breadcrumb.ts'
import { neighboursOf } from '@viatica/core/navigate/readingOrder.ts'
import { documentTitle } from '@viatica/core/navigate/title.ts'
import { movesPublished } from '@viatica/core/address/moves.ts'
import { isPinnedHere, pinPages } from '@viatica/core/address/pins.ts'
import type { SetEntry } from '@viatica/core/plan/change/change.ts'
import { changeWords } from '@viatica/core/plan/change/changeWords.ts'
import { type EntryField, labelOf, type PageState, type Picture, STATES } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { entryOf } from '@viatica/core/plan/plan.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { soundTypedName } from '@viatica/core/standard/fileName.ts'
import IconPin from '~icons/tabler/pin'
import { Checkbox } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import DateField from '../../parts/DateField.vue'
import { movingChange } from '../../parts/movingChange.ts'
import PictureField from '../../parts/PictureField.vue'
import SavedText from '../../parts/SavedText.vue'
import StateMark from '../../parts/StateMark.vue'
import TargetField from '../../parts/TargetField.vue'
import { useChosen } from '../../stores/chosen.ts'
import { useOpenSite } from '../../stores/openSite.ts'
import { useRipple } from '../../stores/ripple.ts'

const openSite = useOpenSite()
const ripple = useRipple()
const chosen = useChosen()

/** These are the details of one entry for good: typing that is saved late must not land on the next. */
const entryId = chosen.id

const site = computed(() => openSite.shown)
const entry = computed(() => chosen.entry!)
const addresses = computed(() => addressesOf(site.value))
const name = computed(() => addresses.value.names.get(entry.value.id) ?? '')
const isHome = computed(() => entry.value.id === site.value.plan.home)

const way = computed(() => wayTo(site.value.plan, entry.value.id))
const neighbours = computed(() => neighboursOf(site.value)(entry.value.id))
const label = (id: EntryId) => labelOf(entryOf(site.value.plan, id))

function set<F extends EntryField>(field: F, value: unknown): string | undefined {
  return openSite.make({ kind: 'setEntry', entry: entryId, field, value } as SetEntry)
}

const setter = (field: EntryField) => (value: unknown) => set(field, value)

/** Another key draws the field of the file name anew, with the name that holds. */
const nameTurn = ref(0)
let isAsking = false

async function askForName(change: SetEntry, after: Site): Promise<void> {
  const title = `${changeWords(site.value, change)}: this changes published addresses`
  isAsking = true
  const isYes = await ripple.askIfItMoves(title, change, site.value, after)
  isAsking = false
  if (isYes) openSite.makeOrTell(change)
  nameTurn.value++
}

/** Sets the name of a file or folder; where published addresses would move, the author is asked first. */
function setName(value: unknown): string | undefined {
  const change = { kind: 'setEntry', entry: entryId, field: 'fileName', value } as SetEntry
  const outcome = openSite.tryOut(change)
  const asks = typeof outcome !== 'string' && movesPublished(site.value, outcome.site)
  if (!asks || openSite.isKeeping()) return set('fileName', value)
  if (!isAsking) void askForName(change, outcome.site)
  return undefined
}

function setOrTell(field: EntryField, value: unknown): void {
  openSite.notice = set(field, value) ?? ''
}

const banner = computed(() => (entry.value.kind === 'page' ? entry.value.banner : null))

function changeBanner(picture: Picture | null): SetEntry {
  const value = picture && { ...picture, text: banner.value?.text ?? '' }
  return { kind: 'setEntry', entry: entryId, field: 'banner', value }
}

/** What a path can hold and a name cannot is refused with the reason; anything else is made a sound name. */
const REFUSED = /[/\\:]|\.$|^\./
const sound = (text: string) =>
  REFUSED.test(text.trim()) || text.length > 100 ? text : soundTypedName(text, site.value.settings.separator)

/** Whether the page keeps its name whatever its title becomes, and where it was given out before. */
const pin = computed(() => (entry.value.kind === 'page' ? entry.value.pin : null))
const isHere = computed(() => entry.value.kind === 'page' && isPinnedHere(site.value, entry.value))
const leadsHere = computed(
  () => pin.value?.addresses.filter((path) => path !== addresses.value.paths.get(entry.value.id)) ?? [],
)

function pinHere(): void {
  const change = pinPages(site.value, [entryId], true)
  if (change) openSite.makeOrTell(change)
}
/** Why the name of the file is what it is, when the author did not choose it just so. */
const nameReason = computed(() => {
  if (entry.value.kind === 'group') return folderWords.value
  const wished = entry.value.kind === 'link' ? '' : wishedName(entry.value, site.value.settings.separator)
  if (isHome.value) return 'The home page is always index.'
  if (pin.value && entry.value.kind === 'page' && entry.value.fileName === '')
    return `${name.value}, pinned: a new title does not change it`
  if (!name.value.endsWith(wished)) return `${name.value}, since ${wished} is taken or reserved`
  return entry.value.kind !== 'link' && entry.value.fileName === ''
    ? `${name.value}, from the ${derivedFrom.value}`
    : ''
})
/** What the name of a group is for: it has no file of its own. */
const folderWords = computed(() => {
  const { layout, carrySection, separator } = site.value.settings
  if (layout !== 'flat') return `what is under it is in the folder ${name.value}/`
  return carrySection
    ? `what is under it starts with ${name.value}${separator}`
    : 'not used: all files are in one folder'
})
const derivedFrom = computed(() => (entry.value.label ? 'menu label' : 'title'))
</script>

<template>
  <div>
    <header>
      <h2>{{ labelOf(entry) }}</h2>
      <code v-if="addresses.paths.has(entry.id)" class="path">{{ addresses.paths.get(entry.id) }}</code>
      <span v-else class="quiet">{{ entry.kind === 'group' ? 'group: no address of its own' : 'link' }}</span>
    </header>

    <SavedText
      v-if="entry.kind === 'page'"
      label="Title"
      :value="entry.title"
      :save="setter('title')"
      :foresee="movingChange(entryId, 'title')"
      :entry="entry.id"
    >
      <template #hint>Browser title: {{ documentTitle(site, entry) }}</template>
    </SavedText>
    <SavedText
      :label="entry.kind === 'page' ? 'Menu label' : 'Label'"
      :value="entry.label"
      :placeholder="entry.kind === 'page' ? 'same as the title' : ''"
      :save="setter('label')"
      :foresee="movingChange(entryId, 'label')"
      :entry="entry.id"
    />
    <TargetField v-if="entry.kind === 'link'" :target="entry.target" :save="setter('target')" />
    <SavedText
      v-if="entry.kind !== 'link' && !isHome"
      :key="nameTurn"
      :label="entry.kind === 'group' ? 'Folder name' : 'File name'"
      code
      :value="entry.fileName"
      :placeholder="wishedName({ ...entry, fileName: '' }, site.settings.separator)"
      :sound="sound"
      :save="setName"
      :foresee="movingChange(entryId, 'fileName')"
      :entry="entry.id"
    >
      <template v-if="nameReason" #hint>{{ nameReason }}</template>
    </SavedText>
    <div v-if="entry.kind === 'page' && !isHome" class="field pin">
      <IconPin width="15" height="15" aria-hidden="true" />
      <span>
        {{ pin ? (isHere ? 'Address pinned' : 'Differs from the pinned address') : 'Address not pinned' }}
        <span v-if="leadsHere.length > 0" class="field-hint">
          {{ leadsHere.join(', ') }} {{ leadsHere.length === 1 ? 'leads' : 'lead' }} here
        </span>
      </span>
      <button v-if="!isHere" type="button" class="link-button" @click="pinHere">Pin</button>
      <button v-if="pin" type="button" class="link-button" @click="setOrTell('pin', null)">Release</button>
    </div>

    <fieldset v-if="entry.kind === 'page'" class="field plain">
      <legend class="field-label">State</legend>
      <div class="states">
        <label v-for="state in STATES" :key="state" :class="{ off: isHome && state === 'planned' }">
          <input
            type="radio"
            :name="`state-of-${entry.id}`"
            class="unseen"
            :value="state"
            :checked="entry.state === state"
            :disabled="isHome && state === 'planned'"
            @change="setOrTell('state', state as PageState)"
          />
          <StateMark :entry="{ ...entry, state }" aria-hidden="true" />{{ state }}
        </label>
      </div>
    </fieldset>

    <div class="field">
      <span class="field-label">Show in</span>
      <Checkbox :checked="entry.inMenu" @change="setOrTell('inMenu', $event.target.checked)">menus</Checkbox>
      <Checkbox
        v-if="entry.kind === 'page'"
        :checked="entry.inOrder"
        @change="setOrTell('inOrder', $event.target.checked)"
      >
        previous/next
      </Checkbox>
      <Checkbox
        v-if="entry.kind === 'page'"
        :checked="entry.inSearch"
        @change="setOrTell('inSearch', $event.target.checked)"
      >
        search engines
      </Checkbox>
    </div>

    <template v-if="entry.kind === 'page'">
      <div v-if="way.length > 0" class="field">
        <span class="field-label">Breadcrumb</span>
        <template v-for="id in way" :key="id">
          <template v-if="id !== entry.id">
            <button type="button" class="link-button" @click="chosen.choose(id)">{{ label(id) }}</button> ›
          </template>
          <strong v-else>{{ label(id) }}</strong>
        </template>
      </div>
      <div class="field">
        <span class="field-label">Previous and next page</span>
        <div v-if="neighbours.previous">
          ←
          <button type="button" class="link-button" @click="chosen.choose(neighbours.previous)">
            {{ label(neighbours.previous) }}
          </button>
        </div>
        <div v-if="neighbours.next">
          →
          <button type="button" class="link-button" @click="chosen.choose(neighbours.next)">
            {{ label(neighbours.next) }}
          </button>
        </div>
        <span v-if="!neighbours.previous && !neighbours.next" class="quiet"
          >nothing: it is not in the reading order</span
        >
      </div>
      <SavedText
        label="Description for search engines"
        :rows="2"
        :value="entry.description"
        :save="setter('description')"
      />
      <SavedText
        label="Page heading (h1)"
        :value="entry.heading"
        placeholder="same as the title"
        :save="setter('heading')"
      />
      <DateField
        label="Date"
        hint="orders lists of pages, newest first"
        :value="entry.date"
        @change="setOrTell('date', $event)"
      />
      <PictureField label="Banner picture" :value="entry.banner" :change="changeBanner" />
      <SavedText
        v-if="entry.banner"
        label="Text on the banner"
        :value="entry.banner.text"
        :save="(text) => set('banner', { ...banner, text })"
      />
      <p class="write">
        <RouterLink :to="{ name: 'write', params: { id: openSite.id } }">Edit content</RouterLink>
        <span v-if="entry.body.changed" class="field-hint">last changed {{ entry.body.changed }}</span>
      </p>
    </template>
    <SavedText label="Private note" :rows="2" :value="entry.note" :save="setter('note')">
      <template #hint>never on the page</template>
    </SavedText>
  </div>
</template>

<style scoped>
header {
  margin-bottom: 12px;
}

h2 {
  font-size: 18px;
  overflow-wrap: anywhere;
}

header .path {
  color: var(--slate);
  overflow-wrap: anywhere;
}

.pin {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto auto;
  align-items: start;
  gap: 0 8px;
}

.pin svg {
  margin-top: 2px;
  color: var(--slate);
}

.plain {
  margin-inline: 0;
  padding: 0;
  border: 0;
}

.states {
  display: flex;
  gap: 14px;
}

.states label {
  display: flex;
  align-items: center;
  gap: 5px;
  cursor: pointer;
}

.states label:has(:checked) {
  font-weight: 600;
  text-decoration: underline;
  text-decoration-thickness: 2px;
  text-underline-offset: 4px;
}

.states label:focus-within {
  outline: 2px solid var(--ink);
  outline-offset: 2px;
}

.states .off {
  opacity: 0.45;
  cursor: default;
}
</style>
