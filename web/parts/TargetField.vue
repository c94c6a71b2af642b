<script setup lang="ts">
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { type LinkTarget, labelOf } from '@viatica/core/plan/entry.ts'
import { walk } from '@viatica/core/plan/plan.ts'
import { filesByPath } from '@viatica/core/plan/site.ts'
import { likelyTarget } from '@viatica/core/standard/target.ts'
import { computed, ref, useId } from 'vue'
import { useOpenSite } from '../stores/openSite.ts'
import ChoiceField from './ChoiceField.vue'
import SavedText from './SavedText.vue'

const props = defineProps<{ target: LinkTarget; save: (target: LinkTarget) => string | undefined }>()

const openSite = useOpenSite()
const id = useId()
const fault = ref<string>()
/** Set while the author has chosen an address elsewhere and not yet typed it. */
const wantsAddress = ref(false)

const ELSEWHERE = ''
const isElsewhere = computed(() => wantsAddress.value || props.target.to === 'address')

const pages = computed(() => {
  const site = openSite.shown
  const { paths } = addressesOf(site)
  return [...walk(site.plan)]
    .filter(({ entry }) => entry.kind === 'page')
    .map(({ entry }) => ({ value: entry.id, label: `${labelOf(entry)} (${paths.get(entry.id)})` }))
})
/** Ids of entries and of files may be the same. */
const FILE = 'file:'
const files = computed(() =>
  filesByPath(openSite.shown).map(({ id, path }) => ({ value: FILE + id, label: path })),
)
const options = computed(() => [
  { value: ELSEWHERE, label: 'an address elsewhere' },
  ...pages.value,
  ...files.value,
])
const chosen = computed(() => {
  const { target } = props
  if (isElsewhere.value || target.to === 'address') return ELSEWHERE
  return target.to === 'file' ? FILE + target.file : target.entry
})

function targetOf(value: string): LinkTarget {
  return value.startsWith(FILE)
    ? { to: 'file', file: value.slice(FILE.length) }
    : { to: 'entry', entry: value, fragment: '' }
}

function choose(value: string): void {
  wantsAddress.value = value === ELSEWHERE
  fault.value = value === ELSEWHERE ? undefined : props.save(targetOf(value))
}

function saveAddress(url: string): string | undefined {
  const refused = props.save({ to: 'address', url })
  if (refused === undefined) wantsAddress.value = false
  return refused
}
</script>

<template>
  <div class="field">
    <label class="field-label" :for="id">Leads to</label>
    <ChoiceField :id="id" :value="chosen" :options="options" @change="choose" />
    <span v-if="fault" class="field-fault" role="alert">{{ fault }}</span>
  </div>
  <SavedText
    v-if="isElsewhere"
    label="Address"
    code
    placeholder="https://www.example.org/"
    :value="target.to === 'address' ? target.url : ''"
    :sound="likelyTarget"
    :save="saveAddress"
  />
</template>
