<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref, useId, watch } from 'vue'
import { rememberFocus } from './focus.ts'

const props = defineProps<{ open: boolean; title: string; wide?: boolean }>()
const emit = defineEmits<{ close: [] }>()

const id = useId()
const dialog = ref<HTMLDialogElement>()

function follow(open: boolean): void {
  if (open) {
    giveBack = rememberFocus()
    dialog.value!.showModal()
  } else {
    dialog.value!.close()
    giveBack?.()
  }
}

let giveBack: (() => void) | undefined
onMounted(() => props.open && follow(true))
watch(() => props.open, follow)
// Closing gives the focus back, which taking the element away does not.
onBeforeUnmount(() => {
  dialog.value?.close()
  giveBack?.()
})
</script>

<template>
  <!-- The element of the platform keeps the focus inside, closes on Escape and gives the focus back. -->
  <dialog ref="dialog" :class="{ wide }" :aria-labelledby="id" @cancel.prevent="emit('close')" @keydown.stop>
    <h2 :id="id">{{ title }}</h2>
    <div class="content"><slot /></div>
    <div class="buttons"><slot name="buttons" /></div>
  </dialog>
</template>

<style scoped>
dialog {
  width: 440px;
  max-width: calc(100vw - 32px);
  max-height: calc(100vh - 64px);
  padding: 20px 24px;
  overflow-y: auto;
  color: inherit;
  background: var(--card);
  border: 2px solid var(--pine);
  border-radius: 3px;
}

.wide {
  width: min(1120px, calc(100vw - 48px));
}

dialog::backdrop {
  background: rgb(29 43 42 / 45%);
}

h2 {
  font-size: 18px;
  overflow-wrap: anywhere;
}

.content {
  margin: 10px 0 16px;
}

.buttons {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>
