<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { ref, useId } from 'vue'
import ModalDialog from '../../../parts/ModalDialog.vue'

/** The HTML of a block that the visual editor keeps as it is. */
const props = defineProps<{ html: string }>()
const emit = defineEmits<{ close: []; apply: [html: string] }>()

const id = useId()
const typed = ref(props.html)
</script>

<template>
  <ModalDialog open wide title="Edit HTML" @close="emit('close')">
    <label class="field-label" :for="id">HTML of this block. Left empty, the block is removed.</label>
    <textarea
      :id="id"
      v-model="typed"
      rows="14"
      spellcheck="false"
      autofocus
      @keydown.ctrl.enter="emit('apply', typed)"
    />
    <template #buttons>
      <Button @click="emit('close')">Cancel</Button>
      <Button type="primary" @click="emit('apply', typed)">Apply</Button>
    </template>
  </ModalDialog>
</template>

<style scoped>
textarea {
  width: 100%;
  padding: 8px;
  font:
    13px/1.5 'IBM Plex Mono',
    monospace;
  border: 1px solid #bdb79f;
  border-radius: 3px;
}
</style>
