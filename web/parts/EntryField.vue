<script setup lang="ts">
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { ancestorsOf, entryOf, walk } from '@viatica/core/plan/plan.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { computed, ref, useId } from 'vue'
import StateMark from './StateMark.vue'

/** Chooses an entry of a site by typing some of its label or address (WAI-ARIA Authoring Practices: combobox). */
const props = defineProps<{
  label: string
  site: Site
  /** Which entries can be chosen. */
  canChoose: (id: EntryId) => boolean
  /** Whether the dialog begins with it: it is empty and open then. */
  begins?: boolean
}>()
const emit = defineEmits<{ taken: [] }>()
const chosen = defineModel<EntryId>({ required: true })

const MOST = 60

const id = useId()
/** What is typed; undefined while nothing is, and the chosen entry shows. */
const typed = ref<string>()
const active = ref(0)

const chosenLabel = computed(() => {
  const entry = props.site.plan.entries.get(chosen.value)
  return entry ? labelOf(entry) : ''
})
const options = computed(() => {
  if (typed.value === undefined) return []
  const wanted = typed.value.trim().toLowerCase()
  const { paths } = addressesOf(props.site)
  const found = []
  for (const { entry } of walk(props.site.plan)) {
    if (found.length === MOST) break
    const text = `${labelOf(entry)} ${paths.get(entry.id) ?? ''}`.toLowerCase()
    if (entry.kind !== 'link' && text.includes(wanted) && props.canChoose(entry.id)) found.push(entry)
  }
  return found
})
/** Where an entry stands: the labels of its ancestors below the home page. */
const wayTo = (entry: EntryId) =>
  ancestorsOf(props.site.plan, entry)
    .slice(1)
    .map((one) => labelOf(entryOf(props.site.plan, one)))
    .join(' › ')

function open(): void {
  typed.value = ''
  active.value = Math.max(
    0,
    options.value.findIndex((entry) => entry.id === chosen.value),
  )
}

function take(entry: EntryId | undefined): void {
  if (entry !== undefined) chosen.value = entry
  typed.value = undefined
}

function input(event: Event): void {
  typed.value = (event.target as HTMLInputElement).value
  active.value = 0
}

function press(event: KeyboardEvent): void {
  const isOpen = typed.value !== undefined
  const count = options.value.length
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    if (!isOpen) open()
    else if (count > 0) active.value = (active.value + (event.key === 'ArrowDown' ? 1 : count - 1)) % count
  } else if (event.key === 'Enter' && isOpen) {
    const found = options.value[active.value]?.id
    take(found)
    // What was chosen by its words needs no second key.
    if (found !== undefined) emit('taken')
  } else if (event.key === 'Escape' && isOpen) typed.value = undefined
  else return
  event.preventDefault()
  event.stopPropagation()
  document.getElementById(`${id}-${active.value}`)?.scrollIntoView({ block: 'nearest' })
}
</script>

<template>
  <div class="field entry-field">
    <label class="field-label" :for="id">{{ label }}</label>
    <input
      :id="id"
      type="text"
      class="search-input"
      role="combobox"
      autocomplete="off"
      aria-autocomplete="list"
      :value="typed ?? chosenLabel"
      :placeholder="chosenLabel"
      :aria-expanded="typed !== undefined"
      :aria-controls="typed === undefined ? undefined : `${id}-list`"
      :aria-activedescendant="options.length > 0 ? `${id}-${active}` : undefined"
      :autofocus="begins"
      @click="open"
      @focus="begins && open()"
      @input="input"
      @keydown="press"
      @blur="typed = undefined"
    />
    <ul v-if="typed !== undefined" :id="`${id}-list`" class="options" role="listbox" :aria-label="label">
      <li
        v-for="(entry, at) in options"
        :id="`${id}-${at}`"
        :key="entry.id"
        role="option"
        :aria-selected="at === active"
        @mousedown.prevent="take(entry.id)"
        @mousemove="active = at"
      >
        <StateMark :entry="entry" />
        <span>{{ labelOf(entry) }}</span>
        <span class="quiet">{{ wayTo(entry.id) }}</span>
      </li>
      <li v-if="options.length === 0" role="option" aria-selected="false" aria-disabled="true">
        Nothing has these words.
      </li>
    </ul>
  </div>
</template>

<style scoped>
.entry-field {
  position: relative;
}

.search-input {
  height: 30px;
  padding: 0 10px;
}

.options {
  max-height: 190px;
  margin-top: 2px;
}

li {
  display: flex;
  align-items: center;
  gap: 7px;
  padding: 3px 10px;
  white-space: nowrap;
}
</style>
