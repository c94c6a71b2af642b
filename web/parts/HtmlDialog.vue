<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { ref, useId } from 'vue'
import { useOpenSite } from '../stores/openSite.ts'
import { useDraft } from './draft.ts'
import ModalDialog from './ModalDialog.vue'

/** HTML of the author's own, edited until it is applied or discarded. */
const props = defineProps<{ title: string; label: string; html: string }>()
const emit = defineEmits<{ close: []; apply: [html: string] }>()

const id = useId()
const typed = ref(props.html)

const discardDraft = useDraft({
  site: useOpenSite().id,
  form: `${props.title}: ${props.html}`,
  words: props.title,
  content: () => (typed.value === props.html ? undefined : typed.value),
  restore: (html) => (typed.value = html),
})
function close(): void {
  discardDraft()
  emit('close')
}
function apply(): void {
  discardDraft()
  emit('apply', typed.value)
}
</script>

<template>
  <ModalDialog open wide :title="title" @close="close">
    <p v-if="$slots['default']" class="quiet"><slot /></p>
    <label class="field-label" :for="id">{{ label }}</label>
    <textarea :id="id" v-model="typed" rows="14" spellcheck="false" autofocus @keydown.ctrl.enter="apply" />
    <template #buttons>
      <Button @click="close">Cancel</Button>
      <Button type="primary" @click="apply">Apply</Button>
    </template>
  </ModalDialog>
</template>

<style scoped>
textarea {
  width: 100%;
  padding: 8px;
  font: 13px/1.5 var(--mono);
  border: 1px solid #bdb79f;
  border-radius: 3px;
}
</style>
