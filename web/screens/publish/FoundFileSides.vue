<script setup lang="ts">
import { sidesOf } from '@viatica/core/publish/sides.ts'
import { Button, Spin } from 'ant-design-vue'
import { ref, shallowRef } from 'vue'
import type { FoundFile } from '@viatica/core/publish/report.ts'
import { Refusal } from '../../api/request.ts'
import { sitesApi } from '../../api/sites.ts'
import ModalDialog from '../../parts/ModalDialog.vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { readerOf } from './readerOf.ts'
import TwoSides from './TwoSides.vue'

/** A file as it was published and as it is on the host now, beside each other. */
const props = defineProps<{ file: FoundFile }>()
const emit = defineEmits<{ close: [] }>()

const openSite = useOpenSite()
const sides = shallowRef<ReturnType<typeof sidesOf>>()
const fault = ref('')

async function read(): Promise<void> {
  try {
    const [was, is] = await Promise.all([
      props.file.was === null ? '' : sitesApi.readText(props.file.was),
      sitesApi.readText(props.file.digest),
    ])
    sides.value = sidesOf(was, is, readerOf(openSite.shown, props.file.path))
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    fault.value = error.message
  }
}
void read()
</script>

<template>
  <ModalDialog open wide :title="`${file.path} on the host`" @close="emit('close')">
    <p v-if="fault" role="alert">{{ fault }}</p>
    <Spin v-else-if="!sides" />
    <TwoSides
      v-else
      :sides="sides"
      :before="file.was === null ? 'Never published' : 'As published'"
      after="On the host now"
    />
    <template #buttons><Button @click="emit('close')">Close</Button></template>
  </ModalDialog>
</template>
