<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'
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

const content = ref<HTMLElement>()
/** Whether the content scrolls, and holds nothing that keys could scroll it with. */
const scrolls = ref(false)
useResizeObserver(content, () => {
  const { scrollHeight, clientHeight } = content.value!
  const isFocusable = content.value!.querySelector('a[href], button, input, select, textarea, [tabindex]')
  scrolls.value = scrollHeight > clientHeight && !isFocusable
})

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
    <div ref="content" class="content" :tabindex="scrolls ? 0 : undefined"><slot /></div>
    <div class="buttons"><slot name="buttons" /></div>
  </dialog>
</template>

<style scoped>
dialog {
  width: 440px;
  max-width: calc(100vw - 32px);
  max-height: calc(100vh - min(64px, 6vh));
  padding: 0;
  overflow: hidden;
  color: inherit;
  background: var(--card);
  border: 2px solid var(--pine);
  border-radius: 3px;
}

/* The title and the buttons are always in view: what is between them scrolls. */
dialog[open] {
  display: flex;
  flex-direction: column;
}

.wide {
  width: min(1120px, calc(100vw - 48px));
}

dialog::backdrop {
  background: rgb(29 43 42 / 45%);
}

h2 {
  flex: none;
  margin: 0;
  padding: 16px 24px 8px;
  font-size: 18px;
  overflow-wrap: anywhere;
}

.content {
  flex: 1;
  min-height: 0;
  padding: 2px 24px 12px;
  overflow-y: auto;
}

.buttons {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  justify-content: flex-end;
  gap: 8px;
  padding: 10px 24px 14px;
  border-top: 1px solid var(--rule);
}

.buttons:empty {
  display: none;
}

@media (max-width: 480px), (max-height: 480px) {
  h2 {
    padding: 8px 14px 4px;
  }

  .content {
    padding: 2px 14px 8px;
  }

  .buttons {
    padding: 6px 14px 8px;
  }
}
</style>
