<script setup lang="ts">
import { newSite, type Site } from '@viatica/core/plan/site.ts'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import { useDraft } from '../../parts/draft.ts'
import ModalDialog from '../../parts/ModalDialog.vue'
import ListEditor from '../../parts/shape/ListEditor.vue'
import { useListReading } from '../../parts/shape/listReading.ts'
import { siteWork } from '../../workers/siteWork.ts'

/** Starts a site from a pasted list, after what it makes was looked at. */
const props = defineProps<{ name: string; make: (site: Site) => Promise<void> }>()
const emit = defineEmits<{ close: [] }>()

const empty = newSite(props.name, crypto.randomUUID())
void siteWork.reset(empty)
const { text, reading, isCurrent } = useListReading('', () => ({ parent: empty.plan.home, place: 0 }))

const discardDraft = useDraft({
  site: '',
  form: 'new site from a list',
  words: 'New site from a list',
  content: () => text.value.trim() || undefined,
  restore: (list) => (text.value = list),
})
function close(): void {
  discardDraft()
  emit('close')
}

const count = computed(() => reading.value.lines.filter(({ id }) => id !== undefined).length)

async function start(): Promise<void> {
  const { change } = reading.value
  if (!change) return
  await props.make(applyChange(empty, change).site)
  close()
}
</script>

<template>
  <ModalDialog open wide :title="`The pages of ${name}`" @close="close">
    <p class="quiet">They will stand under the home page.</p>
    <ListEditor v-model="text" :lines="reading.lines" :paths="reading.paths" />
    <p v-if="reading.refused" class="field-fault" role="alert">{{ reading.refused }}</p>
    <template #buttons>
      <Button @click="close">Cancel</Button>
      <Button type="primary" :disabled="!reading.change || !isCurrent" @click="start">
        Create site with {{ count === 1 ? '1 page' : `${count} pages` }}
      </Button>
    </template>
  </ModalDialog>
</template>
