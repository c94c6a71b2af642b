<script setup lang="ts" generic="Value extends string">
import { actingChoice } from './actingChoice.ts'

/** One of several values. What is chosen holds at once by mouse, and with Enter or when the field is left by keyboard. */
const props = defineProps<{
  id?: string
  label?: string
  value: Value
  options: readonly { readonly value: Value; readonly label: string }[]
}>()
const emit = defineEmits<{ change: [value: Value] }>()

const choice = actingChoice(
  (value) => emit('change', value as Value),
  () => props.value,
)
</script>

<template>
  <select
    :id="id"
    :aria-label="label"
    :value="value"
    @keydown="choice.keydown"
    @change="choice.change"
    @blur="choice.blur"
  >
    <option v-for="option in options" :key="option.value" :value="option.value">{{ option.label }}</option>
  </select>
</template>

<style scoped>
select {
  width: 100%;
  min-width: 0;
  height: 30px;
  padding: 0 6px;
  color: inherit;
  background: #fff;
  border: 1px solid #bdb79f;
  border-radius: 3px;
  font: inherit;
  text-overflow: ellipsis;
}

select:hover {
  border-color: var(--pine);
}
</style>
