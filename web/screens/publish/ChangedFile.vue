<script setup lang="ts">
import { filesToPublish, type HostFile } from '@viatica/core/publish/publication.ts'
import { sidesOf } from '@viatica/core/publish/sides.ts'
import { thisYear } from '@viatica/core/standard/date.ts'
import { Button, Spin } from 'ant-design-vue'
import { computed, ref, shallowRef } from 'vue'
import { Refusal } from '../../api/request.ts'
import { sitesApi } from '../../api/sites.ts'
import ModalDialog from '../../parts/ModalDialog.vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { usePublishing } from '../../stores/publishing.ts'
import type { ChangeRow } from './changeRows.ts'
import { readerOf } from './readerOf.ts'
import TwoSides from './TwoSides.vue'
import { sizeWords } from './words.ts'

/** A file that differs: as the host has it, and as it will be. */
const props = defineProps<{ row: ChangeRow }>()
const emit = defineEmits<{ close: [] }>()

const openSite = useOpenSite()
const publishing = usePublishing()
const file = computed(() => (props.row.after ?? props.row.before)!)
const sides = shallowRef<ReturnType<typeof sidesOf>>()
const fault = ref('')

/** Files that are looked at as text. */
const IS_TEXT = /\.(?:html?|php|shtml|css|js|mjs|svg|xml|txt|json|conf)$|(?:^|\/)\.htaccess$/i
const isText = computed(() => IS_TEXT.test(file.value.path))

/** The text of a file as it comes out now. */
async function textOf({ path }: HostFile): Promise<string> {
  const { choices } = publishing.host!.settings
  for (const one of filesToPublish(openSite.shown, thisYear(), choices)) {
    if (one.path !== path) continue
    if ('text' in one) return one.text()
    return 'content' in one ? sitesApi.readText(one.content) : ''
  }
  return ''
}

async function read(): Promise<void> {
  const { before, after } = props.row
  try {
    const [was, will] = await Promise.all([
      before ? sitesApi.readText(before.digest) : '',
      after ? textOf(after) : '',
    ])
    sides.value = sidesOf(was, will, readerOf(openSite.shown, file.value.path))
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    fault.value = error.message
  }
}
if (isText.value) void read()
</script>

<template>
  <ModalDialog open wide :title="`${file.path}: ${row.becomes}`" @close="emit('close')">
    <p v-if="row.becomes === 'moved'">
      It was <code>{{ row.before!.path }}</code>; that address leads on to the new one, where redirects are
      given out.
    </p>
    <p v-if="!isText">
      {{ row.before ? `Now ${sizeWords(row.before.size)}` : 'Not there yet' }}; then
      {{ row.after ? sizeWords(row.after.size) : 'gone' }}.
    </p>
    <p v-else-if="fault" role="alert">{{ fault }}</p>
    <Spin v-else-if="!sides" />
    <TwoSides v-else :sides="sides" before="On the host" after="After publishing" />
    <template #buttons><Button @click="emit('close')">Close</Button></template>
  </ModalDialog>
</template>
