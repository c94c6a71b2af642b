<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { ref, useId, watch } from 'vue'

/** A day, in the browser's own field for one: it is saved when it is whole, by Enter or when the field is left. */
const props = defineProps<{ label: string; hint: string; /** `YYYY-MM-DD`, or empty. */ value: string }>()
const emit = defineEmits<{ change: [string] }>()
const id = useId()
const typed = ref(props.value)
watch(
  () => props.value,
  (value) => (typed.value = value),
)

function save(event: Event): void {
  const field = event.target as HTMLInputElement
  // Of a day that is not whole, browsers give none: that would remove the one before.
  if (field.validity.valid && typed.value !== props.value) emit('change', typed.value)
}

function leave(event: Event): void {
  save(event)
  const field = event.target as HTMLInputElement
  if (field.validity.valid) return
  typed.value = props.value
  field.value = props.value
}
</script>

<template>
  <div class="field">
    <label class="field-label" :for="id">{{ label }}</label>
    <Input
      :id="id"
      v-model:value="typed"
      type="date"
      max="9999-12-31"
      class="day"
      @press-enter="save"
      @blur="leave"
    />
    <span class="field-hint">{{ hint }}</span>
  </div>
</template>

<style scoped>
.day {
  width: 160px;
}

/* The button of its calendar is within it. */
.day:focus-within {
  outline: 2px solid var(--pine);
  outline-offset: 1px;
}
</style>
