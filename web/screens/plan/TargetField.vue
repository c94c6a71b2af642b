<script setup lang="ts">
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { type LinkTarget, labelOf } from '@viatica/core/plan/entry.ts'
import { walk } from '@viatica/core/plan/plan.ts'
import { computed, ref, useId } from 'vue'
import ChoiceField from '../../parts/ChoiceField.vue'
import SavedText from '../../parts/SavedText.vue'
import { useOpenSite } from '../../stores/openSite.ts'

const props = defineProps<{ target: LinkTarget; save: (target: LinkTarget) => string | undefined }>()

const openSite = useOpenSite()
const id = useId()
const fault = ref<string>()
/** Set while the author has chosen an address elsewhere and not yet typed it. */
const wantsAddress = ref(false)

const ELSEWHERE = ''
const isElsewhere = computed(() => wantsAddress.value || props.target.to === 'address')

const pages = computed(() => {
  const site = openSite.site!
  const { paths } = addressesOf(site)
  return [...walk(site.plan)]
    .filter(({ entry }) => entry.kind === 'page')
    .map(({ entry }) => ({ value: entry.id, label: `${labelOf(entry)} (${paths.get(entry.id)})` }))
})
const options = computed(() => [{ value: ELSEWHERE, label: 'an address elsewhere' }, ...pages.value])

function choose(entry: string): void {
  wantsAddress.value = entry === ELSEWHERE
  fault.value = entry === ELSEWHERE ? undefined : props.save({ to: 'entry', entry, fragment: '' })
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
    <ChoiceField
      :id="id"
      :value="isElsewhere || target.to === 'address' ? ELSEWHERE : target.entry"
      :options="options"
      @change="choose"
    />
    <span v-if="fault" class="field-fault" role="alert">{{ fault }}</span>
  </div>
  <SavedText
    v-if="isElsewhere"
    label="Address"
    code
    placeholder="https://www.example.org/"
    :value="target.to === 'address' ? target.url : ''"
    :save="saveAddress"
  />
</template>
