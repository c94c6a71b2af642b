<script setup lang="ts" generic="Value extends string">
import { useId } from 'vue'
import ChoiceField from './ChoiceField.vue'

/** One of a few values, with its label above. */
defineProps<{
  label: string
  options: readonly { readonly value: Value; readonly label: string }[]
}>()
const value = defineModel<Value>({ required: true })

const id = useId()
</script>

<template>
  <div class="field">
    <label class="field-label" :for="id">{{ label }}</label>
    <ChoiceField :id="id" :value="value" :options="options" @change="(chosen) => (value = chosen)" />
    <slot />
  </div>
</template>
