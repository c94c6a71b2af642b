<script setup lang="ts">
import { labelOf } from '@viatica/core/plan/entry.ts'
import { childrenOf, placeOf } from '@viatica/core/plan/plan.ts'
import { itemAt, valueFor } from '@viatica/core/standard/present.ts'
import { Button, RadioGroup } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useChosen } from '../../stores/chosen.ts'
import { useOpenSite } from '../../stores/openSite.ts'
import { useShaping } from '../../stores/shaping.ts'
import { useDraft } from '../draft.ts'
import ModalDialog from '../ModalDialog.vue'
import ListEditor from './ListEditor.vue'
import { useListReading } from './listReading.ts'

/** Adds the pages of a pasted list, all in one change, after they were looked at. */
const emit = defineEmits<{ close: [] }>()

const openSite = useOpenSite()
const chosen = useChosen()
const shaping = useShaping()

const canBeBeneath = chosen.entry!.kind !== 'link'
const where = ref<'beneath' | 'beside'>(canBeBeneath ? 'beneath' : 'beside')
const label = labelOf(chosen.entry!)
const CHOICES = [
  { value: 'beneath', label: `under “${label}”`, disabled: !canBeBeneath },
  { value: 'beside', label: 'beside it', disabled: shaping.isHome },
]

const destination = computed(() => {
  const { plan } = openSite.shown
  const { id } = chosen
  return where.value === 'beneath'
    ? { parent: id, place: childrenOf(plan, id).length }
    : { parent: valueFor(plan.parents, id), place: placeOf(plan, id) + 1 }
})

const { text, reading, isCurrent } = useListReading(shaping.pasted, () => destination.value)

const discardDraft = useDraft({
  site: openSite.id,
  form: 'list',
  words: 'Pages from a list',
  content: () => text.value.trim() || undefined,
  restore: (list) => (text.value = list),
})
function close(): void {
  discardDraft()
  emit('close')
}

const count = computed(
  () => reading.value.lines.filter(({ id }) => id !== undefined && id !== openSite.shown.plan.home).length,
)

function add(): void {
  const { change } = reading.value
  if (!change) return
  const words = `${count.value === 1 ? '1 entry' : `${count.value} entries`} added from a list ${where.value === 'beneath' ? 'under' : 'beside'} “${label}”`
  close()
  if (openSite.makeOrTell({ kind: 'batch', words, changes: [change] }))
    chosen.choose(itemAt(change.branches, 0).id)
}
</script>

<template>
  <ModalDialog open wide title="Add pages from a list" @close="close">
    <RadioGroup v-model:value="where" class="where" aria-label="Where they will stand" :options="CHOICES" />
    <ListEditor v-model="text" :lines="reading.lines" :paths="reading.paths" />
    <p v-if="reading.refused" class="field-fault" role="alert">{{ reading.refused }}</p>
    <template #buttons>
      <Button @click="close">Cancel</Button>
      <Button type="primary" :disabled="!reading.change || !isCurrent" @click="add">
        {{ count === 1 ? 'Add 1 entry' : `Add ${count} entries` }}
      </Button>
    </template>
  </ModalDialog>
</template>

<style scoped>
.where {
  margin-bottom: 8px;
}
</style>
