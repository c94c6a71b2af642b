<script setup lang="ts">
import { onMounted, ref } from 'vue'

const props = defineProps<{
  /** Where it stands in the outline. */
  level: number
  label: string
  name?: string
}>()
const emit = defineEmits<{
  /** With what was typed; empty when it was let be. */
  done: [name: string]
}>()

const text = ref(props.name ?? '')
const input = ref<HTMLInputElement>()
let isDone = false

function finish(name: string): void {
  if (isDone) return
  isDone = true
  emit('done', name)
}

onMounted(() => {
  input.value!.focus()
  input.value!.select()
})
</script>

<template>
  <div class="name" role="none" :style="{ paddingLeft: `${level * 20 + 8}px` }">
    <input
      ref="input"
      v-model="text"
      :aria-label="label"
      :placeholder="label"
      maxlength="300"
      @keydown.enter.prevent="finish(text)"
      @keydown.esc.prevent="finish('')"
      @blur="finish(text)"
    />
  </div>
</template>

<style scoped>
.name {
  padding: 1px 10px 1px 0;
}

input {
  width: 100%;
  height: 27px;
  padding: 0 6px;
  color: inherit;
  background: #fff;
  border: 1px solid var(--pine);
  border-radius: 3px;
  font: inherit;
}
</style>
