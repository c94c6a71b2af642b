<script setup lang="ts">
import type { PastedTable } from '@viatica/core/inventory/paste.ts'
import type { InventoryReading } from '@viatica/core/inventory/read.ts'
import { Button } from 'ant-design-vue'
import { ref, shallowRef } from 'vue'
import ModalDialog from '../../../parts/ModalDialog.vue'
import VirtualRows from '../../../parts/VirtualRows.vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import { siteWork } from '../../../workers/siteWork.ts'

/** Takes a changed inventory back as one change, after what differs was looked at. */
const openSite = useOpenSite()
const chooser = ref<HTMLInputElement>()
const reading = shallowRef<InventoryReading>()
const fault = ref('')
const isPasted = ref(false)
/** How many lines of pasted cells are beyond the last row. */
const beyond = ref(0)

async function read(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  const text = await file.text()
  input.value = ''
  await show(text)
}

/** Shows what cells of a spreadsheet would change. */
async function paste({ table, beyond: left }: PastedTable): Promise<void> {
  await show(table, 'Pasted into the inventory')
  beyond.value = left
}

async function show(text: string, how?: string): Promise<void> {
  isPasted.value = how !== undefined
  beyond.value = 0
  const answer = await siteWork.readInventory(text, how)
  fault.value = typeof answer === 'string' ? answer : ''
  reading.value = typeof answer === 'string' ? undefined : answer
}

function close(): void {
  reading.value = undefined
  fault.value = ''
}

function take(): void {
  const { change } = reading.value!
  close()
  if (change) openSite.makeOrTell(change)
}

defineExpose({ choose: () => chooser.value!.click(), paste })
</script>

<template>
  <input
    ref="chooser"
    type="file"
    hidden
    accept=".csv,.tsv,.txt"
    aria-label="Changed inventory"
    @change="read"
  />
  <ModalDialog
    v-if="fault"
    open
    :title="isPasted ? 'These cells can’t be pasted' : 'This inventory cannot be read'"
    @close="close"
  >
    <p role="alert">{{ fault }}</p>
    <p class="quiet">
      Nothing was changed.
      {{ isPasted ? 'Row 2 is the first pasted row.' : 'Fix the file and import it again.' }}
    </p>
    <template #buttons><Button type="primary" @click="close">Close</Button></template>
  </ModalDialog>
  <ModalDialog
    v-if="reading"
    open
    wide
    :title="isPasted ? 'What the pasted cells change' : 'What the inventory changes'"
    @close="close"
  >
    <p>
      <strong>{{
        reading.differences.length === 0
          ? 'Nothing differs from the plan.'
          : reading.differences.length === 1
            ? '1 cell differs.'
            : `${reading.differences.length} cells differ.`
      }}</strong>
      <template v-if="beyond > 0">
        {{
          beyond === 1
            ? '1 line is beyond the last row and is left out.'
            : `${beyond} lines are beyond the last row and are left out.`
        }}
      </template>
      <template v-if="!isPasted && reading.withoutRow > 0">
        {{
          reading.withoutRow === 1
            ? '1 entry of the plan has no row: it stays as it is.'
            : `${reading.withoutRow} entries of the plan have no row: they stay as they are.`
        }}
      </template>
    </p>
    <VirtualRows
      v-if="reading.differences.length > 0"
      v-slot="{ row }"
      class="differences"
      :rows="reading.differences"
      :row-height="34"
      label="Differences"
    >
      <div class="difference">
        <span class="quiet">row {{ row.row }}</span>
        <strong>{{ row.label }}</strong>
        <span>{{ row.column }}</span>
        <del>{{ row.before }}</del>
        <ins>{{ row.after }}</ins>
      </div>
    </VirtualRows>
    <template #buttons>
      <Button @click="close">Cancel</Button>
      <Button type="primary" :disabled="!reading.change" @click="take">Apply all</Button>
    </template>
  </ModalDialog>
</template>

<style scoped>
.differences {
  height: min(400px, calc(100vh - 320px));
  background: #fff;
  border: 1px solid var(--rule);
}

.difference {
  display: grid;
  grid-template-columns: 60px 1.2fr 110px 1.5fr 1.5fr;
  align-items: center;
  gap: 12px;
  height: 34px;
  padding: 0 10px;
  border-bottom: 1px solid #eee9da;
}

.difference > * {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

del {
  color: var(--brick);
}

ins {
  color: var(--pine);
  text-decoration: none;
}
</style>
