<script setup lang="ts">
import type { SiteFile } from '@viatica/core/plan/file.ts'
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import ModalDialog from '../../../parts/ModalDialog.vue'
import { useSiteFiles } from '../../../stores/siteFiles.ts'
import { useWords } from './fileWords.ts'

/** Asks before a file is removed, and shows every place that uses it. */
const props = defineProps<{ file: SiteFile }>()
const emit = defineEmits<{ close: [] }>()

const SHOWN = 10
const siteFiles = useSiteFiles()
const uses = computed(() => siteFiles.usesOf(props.file.id))

function remove(): void {
  siteFiles.remove(props.file)
  emit('close')
}
</script>

<template>
  <ModalDialog open :title="`Remove ${file.path}?`" @close="emit('close')">
    <p v-if="uses.length === 0">Nothing of the site uses it.</p>
    <template v-else>
      <p class="goes-warning">
        {{ uses.length === 1 ? 'One place uses it' : `${uses.length} places use it` }}:
      </p>
      <ul class="goes-list">
        <li v-for="(use, at) in uses.slice(0, SHOWN)" :key="at">{{ useWords(use) }}</li>
        <li v-if="uses.length > SHOWN">and {{ uses.length - SHOWN }} more</li>
      </ul>
      <p>
        These do without it: a picture gives way to what it says, a link to its text. A style sheet that names
        it is left as it is.
      </p>
    </template>
    <template #buttons>
      <Button @click="emit('close')">Cancel</Button>
      <Button type="primary" danger autofocus @click="remove">Remove</Button>
    </template>
  </ModalDialog>
</template>
