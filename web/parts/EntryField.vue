<script setup lang="ts">
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { type EntryId, labelOf } from '@viatica/core/plan/entry.ts'
import { walk } from '@viatica/core/plan/plan.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { Select } from 'ant-design-vue'
import { computed, useId } from 'vue'

/** Chooses an entry of a site by typing some of its label or address. */
const props = defineProps<{
  label: string
  site: Site
  /** Which entries can be chosen. */
  canChoose: (id: EntryId) => boolean
}>()
const chosen = defineModel<EntryId>({ required: true })

const id = useId()

const options = computed(() => {
  const { paths } = addressesOf(props.site)
  return [...walk(props.site.plan)]
    .filter(({ entry }) => entry.kind !== 'link' && props.canChoose(entry.id))
    .map(({ entry, depth }) => ({
      value: entry.id,
      label: `${' '.repeat(depth * 3)}${labelOf(entry)}`,
      text: `${labelOf(entry)} ${paths.get(entry.id) ?? ''}`.toLowerCase(),
    }))
})

function matches(typed: string, option?: object): boolean {
  return (option as { text: string } | undefined)?.text.includes(typed.trim().toLowerCase()) ?? false
}
const containerOf = (element: HTMLElement) => element.closest<HTMLElement>('dialog') ?? document.body
</script>

<template>
  <div class="field">
    <label class="field-label" :for="id">{{ label }}</label>
    <Select
      :id="id"
      v-model:value="chosen"
      class="choice"
      show-search
      :options="options"
      :filter-option="matches"
      :get-popup-container="containerOf"
    />
  </div>
</template>

<style scoped>
.choice {
  width: 100%;
}
</style>
