<script setup lang="ts">
import IconSearch from '~icons/tabler/search'
import type { Found } from '@viatica/core/search/search.ts'
import { entryOf } from '@viatica/core/plan/plan.ts'
import { computed, ref, useId } from 'vue'
import { useChosen } from '../stores/chosen.ts'
import { useOpenSite } from '../stores/openSite.ts'
import { siteWork } from '../workers/siteWork.ts'
import { foundAsTyped } from './foundAsTyped.ts'
import StateMark from './StateMark.vue'

/** Finds entries as one types, and goes there (WAI-ARIA Authoring Practices: combobox with a list). */
const emit = defineEmits<{ found: [] }>()

const openSite = useOpenSite()
const chosen = useChosen()
const id = useId()
const input = ref<HTMLInputElement>()
const words = ref('')
const { found, active, whenFound } = foundAsTyped(
  computed(() => words.value.trim()),
  (of) => siteWork.search(of),
)
const isOpen = computed(() => words.value.trim() !== '' && found.value !== undefined)

const entryAt = (entry: string) => entryOf(openSite.shown.plan, entry)
const isThere = (entry: string) => openSite.shown.plan.entries.has(entry)

function go(to: Found | undefined): void {
  if (!to || !isThere(to.entry)) return
  chosen.choose(to.entry)
  words.value = ''
  emit('found')
}

function press(event: KeyboardEvent): void {
  const count = found.value?.length ?? 0
  if (event.key === 'Escape') {
    words.value = ''
    emit('found')
  } else if (event.key === 'Enter') whenFound(() => go(found.value?.[active.value]))
  else if (event.key === 'ArrowDown' && count > 0) active.value = (active.value + 1) % count
  else if (event.key === 'ArrowUp' && count > 0) active.value = (active.value + count - 1) % count
  else return
  event.preventDefault()
  document.getElementById(`${id}-${active.value}`)?.scrollIntoView({ block: 'nearest' })
}

defineExpose({ focus: () => input.value!.focus() })
</script>

<template>
  <div class="search" role="search">
    <IconSearch class="glass" width="16" height="16" aria-hidden="true" />
    <input
      ref="input"
      v-model="words"
      type="text"
      class="search-input"
      role="combobox"
      aria-label="Find a page"
      aria-autocomplete="list"
      placeholder="Find a page"
      autocomplete="off"
      :aria-expanded="isOpen"
      :aria-controls="isOpen ? id : undefined"
      :aria-activedescendant="isOpen && found!.length > 0 ? `${id}-${active}` : undefined"
      @keydown.stop="press"
      @blur="words = ''"
    />
    <kbd aria-hidden="true">/</kbd>
    <ul v-if="isOpen" :id="id" class="found options" role="listbox" aria-label="Found">
      <template v-for="(one, at) in found" :key="one.entry">
        <li
          v-if="isThere(one.entry)"
          :id="`${id}-${at}`"
          role="option"
          :aria-selected="at === active"
          @mousedown.prevent="go(one)"
          @mousemove="active = at"
        >
          <StateMark :entry="entryAt(one.entry)" />
          <span class="label">{{ one.label }}</span>
          <span class="excerpt">
            <span class="where">{{ one.foundIn }}:</span>
            {{ one.excerpt.before }}<mark>{{ one.excerpt.match }}</mark>{{ one.excerpt.after }}
          </span>
        </li>
      </template>
      <li v-if="found!.length === 0" role="option" aria-selected="false" aria-disabled="true" class="none">
        Nothing has these words.
      </li>
    </ul>
  </div>
</template>

<style scoped>
.search {
  position: relative;
  padding: 10px 12px 2px;
}

.glass {
  position: absolute;
  top: 18px;
  left: 20px;
  color: var(--slate);
}

.search-input {
  height: 32px;
  padding: 0 30px;
}

kbd {
  position: absolute;
  top: 17px;
  right: 24px;
  color: var(--slate);
  font: inherit;
}

.found {
  position: absolute;
  top: 42px;
  left: 12px;
  z-index: 5;
  width: 420px;
  max-height: 420px;
}

li {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  align-items: center;
  gap: 0 8px;
  padding: 5px 12px;
  cursor: default;
}

.label {
  font-weight: 500;
}

.excerpt {
  grid-column: 2;
  overflow: hidden;
  color: var(--slate);
  font-size: 12.5px;
  text-overflow: ellipsis;
  white-space: nowrap;
}

mark {
  color: var(--ink);
  background: none;
  font-weight: 600;
  text-decoration: underline;
}

.none {
  color: var(--slate);
}
</style>
