<script setup lang="ts">
import { labelOf } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { entryOf, isWithin } from '@viatica/core/plan/plan.ts'
import { valueFor } from '@viatica/core/standard/present.ts'
import { Button } from 'ant-design-vue'
import { ref } from 'vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { useShaping } from '../../stores/shaping.ts'
import EntryField from '../EntryField.vue'
import ModalDialog from '../ModalDialog.vue'

/** Moves the chosen entries under another that is found by typing. */
const emit = defineEmits<{ close: [] }>()

const openSite = useOpenSite()
const shaping = useShaping()
const site = openSite.shown
const moving = shaping.movable
const parent = ref<EntryId>(valueFor(site.plan.parents, moving[0]!))

const title =
  moving.length === 1
    ? `Move “${labelOf(entryOf(site.plan, moving[0]!))}” under …`
    : `Move ${moving.length} entries under …`
const canHold = (id: EntryId) => !moving.some((one) => isWithin(site.plan, id, one))

function move(): void {
  emit('close')
  void shaping.moveUnder(parent.value)
}
</script>

<template>
  <ModalDialog open :title="title" @close="$emit('close')">
    <EntryField
      v-model="parent"
      :label="'New parent'"
      :site="site"
      :can-choose="canHold"
      begins
      @taken="move"
    />
    <template #buttons>
      <Button @click="$emit('close')">Cancel</Button>
      <Button type="primary" @click="move">Move</Button>
    </template>
  </ModalDialog>
</template>
