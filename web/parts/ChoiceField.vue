<script setup lang="ts" generic="Value extends string">
defineProps<{
  id: string
  value: Value
  options: readonly { readonly value: Value; readonly label: string }[]
}>()
const emit = defineEmits<{ change: [value: Value] }>()

function change(event: Event): void {
  emit('change', (event.target as HTMLSelectElement).value as Value)
}
</script>

<template>
  <select :id="id" :value="value" @change="change">
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
