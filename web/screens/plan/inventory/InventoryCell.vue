<script setup lang="ts">
import { type CellValue, type Column, isYesNoField } from '@viatica/core/inventory/columns.ts'
import { STATES } from '@viatica/core/plan/entry.ts'
import { newPage } from '@viatica/core/plan/newEntry.ts'
import { computed, nextTick, ref, watch } from 'vue'
import StateMark from '../../../parts/StateMark.vue'
import { useOpenSite } from '../../../stores/openSite.ts'

/** A cell of the inventory, which is edited in place where its column can be set. */
const props = defineProps<{
  column: Column
  value: CellValue
  isEditing: boolean
  /** What was typed over the cell to begin with; undefined where it is edited as it is. */
  typedOver: string | undefined
  /** Makes the change; gives back why it was refused. */
  save: (value: CellValue) => string | undefined
}>()
const emit = defineEmits<{ done: [isKept: boolean] }>()

const openSite = useOpenSite()
const visit = crypto.randomUUID()
const typed = ref('')
const fault = ref('')
const input = ref<HTMLInputElement | HTMLSelectElement>()
const isState = computed(() => props.column.name === 'state')

watch(
  () => props.isEditing,
  (isEditing) => {
    if (!isEditing) return
    typed.value = props.typedOver ?? String(props.value ?? '')
    fault.value = ''
    void nextTick(() => {
      input.value?.focus()
      if (input.value instanceof HTMLInputElement && props.typedOver === undefined) input.value.select()
    })
  },
  { immediate: true },
)

/** Keeps what is typed until it is taken, also if the window is closed before. */
function remember(): void {
  if (typed.value.trim() === String(props.value ?? '')) openSite.forgetTyped(visit)
  else openSite.keepTyped(visit, () => props.save(typed.value), true)
}

function end(isByKey: boolean): void {
  openSite.forgetTyped(visit)
  emit('done', isByKey)
}

function keep(isByKey: boolean): void {
  if (!props.isEditing) return
  if (typed.value.trim() !== String(props.value ?? '')) fault.value = props.save(typed.value) ?? ''
  // A field that is left lets go of what cannot be kept; by key, it stays to be corrected.
  if (fault.value === '' || !isByKey) end(isByKey)
}

function press(event: KeyboardEvent): void {
  event.stopPropagation()
  if (event.key === 'Enter') keep(true)
  else if (event.key === 'Escape') end(true)
  else return
  event.preventDefault()
}
</script>

<template>
  <template v-if="isEditing">
    <select
      v-if="isState"
      ref="input"
      v-model="typed"
      class="input"
      :aria-label="column.name"
      @keydown="press"
      @blur="keep(false)"
    >
      <option v-for="state in STATES" :key="state">{{ state }}</option>
    </select>
    <input
      v-else
      ref="input"
      v-model="typed"
      class="input"
      :aria-label="column.name"
      :aria-invalid="fault !== ''"
      @input="remember"
      @keydown="press"
      @blur="keep(false)"
    />
    <span v-if="fault" class="fault" role="alert">{{ fault }}</span>
  </template>
  <span v-else-if="isState" class="state">
    <StateMark :entry="newPage('x', 'x', { state: value as (typeof STATES)[number] })" aria-hidden="true" />{{
      value
    }}
  </span>
  <span v-else-if="isYesNoField(column.field)" :class="{ quiet: value !== true }">{{
    value === true ? 'yes' : 'no'
  }}</span>
  <code v-else-if="column.name === 'address'">{{ value }}</code>
  <template v-else>{{ value ?? '–' }}</template>
</template>

<style scoped>
.input {
  width: 100%;
  height: 26px;
  padding: 0 4px;
  color: inherit;
  background: #fff;
  border: 1px solid var(--pine);
  border-radius: 3px;
  font: inherit;
}

.fault {
  position: absolute;
  top: 100%;
  left: 0;
  z-index: 3;
  min-width: 220px;
  padding: 4px 8px;
  color: var(--brick);
  background: var(--card);
  border: 1px solid var(--brick);
  white-space: normal;
}

.state {
  display: inline-flex;
  vertical-align: middle;
  align-items: center;
  gap: 5px;
}
</style>
