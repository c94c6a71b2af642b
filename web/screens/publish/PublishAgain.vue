<script setup lang="ts">
import { Button, Spin } from 'ant-design-vue'
import { computed, ref, shallowRef } from 'vue'
import type { Publication } from '@viatica/core/publish/report.ts'
import type { WhatReturns } from '@viatica/core/protocol/publish.ts'
import { publishApi } from '../../api/publish.ts'
import { Refusal } from '../../api/request.ts'
import ModalDialog from '../../parts/ModalDialog.vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { usePublishing } from '../../stores/publishing.ts'
import { changeRows, SIGNS } from './changeRows.ts'

/** An earlier publication that is about to be published again, and what that changes on the host. */
const props = defineProps<{ publication: Publication }>()
const emit = defineEmits<{ close: [] }>()

const openSite = useOpenSite()
const publishing = usePublishing()
const what = shallowRef<WhatReturns>()
const fault = ref('')
publishApi.whatReturns(openSite.id, publishing.chosenId, props.publication.id).then(
  (answer) => (what.value = answer),
  (error: unknown) => {
    if (!(error instanceof Refusal)) throw error
    fault.value = error.message
  },
)
const rows = computed(() => (what.value ? changeRows(what.value.difference) : []))
const MOST = 100

async function publish(): Promise<void> {
  if (await publishing.publishAgain(props.publication.id)) emit('close')
  else fault.value = publishing.fault
}
</script>

<template>
  <ModalDialog open :title="`Publish ${publication.number} again?`" @close="emit('close')">
    <p>The host gets what it had then. The plan stays as it is.</p>
    <p v-if="fault" role="alert">{{ fault }}</p>
    <Spin v-else-if="!what" />
    <p v-else-if="what.files === 0">Its files are not kept any more.</p>
    <p v-else-if="rows.length === 0">Nothing would change.</p>
    <ul v-else>
      <li v-for="row in rows.slice(0, MOST)" :key="(row.after ?? row.before)!.path">
        <b aria-hidden="true">{{ SIGNS[row.becomes] }}</b>
        <code>{{ (row.after ?? row.before)!.path }}</code> {{ row.becomes }}
      </li>
      <li v-if="rows.length > MOST">and {{ rows.length - MOST }} more</li>
    </ul>
    <template #buttons>
      <Button type="primary" :disabled="!what || what.files === 0 || publishing.isOrdering" @click="publish"
        >Publish again</Button
      >
      <Button @click="emit('close')">Cancel</Button>
    </template>
  </ModalDialog>
</template>

<style scoped>
ul {
  max-height: 40vh;
  margin: 0;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}

b {
  display: inline-block;
  width: 18px;
  font-family: var(--mono);
}
</style>
