<script setup lang="ts">
import { labelOf } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { entryOf } from '@viatica/core/plan/plan.ts'
import { escapeAttribute } from '@viatica/core/standard/escape.ts'
import { Button, Checkbox, RadioGroup } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import EntryField from '../../parts/EntryField.vue'
import ModalDialog from '../../parts/ModalDialog.vue'
import OrderButtons from '../../parts/OrderButtons.vue'
import { useOpenSite } from '../../stores/openSite.ts'
import type { Insertion } from './insertion.ts'

/** Picks the pages of a list in a text, and their order. */
const emit = defineEmits<{ close: []; pick: [Insertion] }>()

const LOOKS = [
  { value: 'cards', label: 'Cards with picture, title and description' },
  { value: 'descriptions', label: 'List with descriptions' },
]

const openSite = useOpenSite()
const site = computed(() => openSite.shown)
const picked = ref<EntryId[]>([])
const look = ref('cards')
const isNewestFirst = ref(false)
/** The page that is being added. */
const added = ref<EntryId>('')
watch(added, (id) => {
  if (id === '') return
  picked.value = [...picked.value, id]
  added.value = ''
})

/** The picked pages that have no date, where dates decide the order. */
const undated = computed(() =>
  isNewestFirst.value
    ? picked.value
        .map((id) => entryOf(site.value.plan, id))
        .filter((entry) => entry.kind === 'page' && entry.date === '')
        .map(labelOf)
    : [],
)

const canPick = (id: EntryId) => entryOf(site.value.plan, id).kind === 'page' && !picked.value.includes(id)
const labelIn = (id: EntryId) => labelOf(entryOf(site.value.plan, id))

function insert(): void {
  const ids = escapeAttribute(picked.value.join(' '))
  const order = isNewestFirst.value ? ' newest' : ''
  emit('pick', { computed: `<put-pages ${look.value}${order} of="${ids}"></put-pages>` })
}
</script>

<template>
  <ModalDialog open title="Pages picked by hand" @close="emit('close')">
    <p v-if="picked.length === 0" class="quiet">No pages yet.</p>
    <ol v-else aria-label="Picked pages">
      <li v-for="(id, at) in picked" :key="id">
        <span>{{ labelIn(id) }}</span>
        <OrderButtons :name="labelIn(id)" :items="picked" :at="at" @change="(next) => (picked = next)" />
      </li>
    </ol>
    <EntryField v-model="added" label="Add a page" :site="site" :can-choose="canPick" begins />
    <RadioGroup v-model:value="look" class="look" aria-label="Show them as" :options="LOOKS" />
    <Checkbox v-model:checked="isNewestFirst">Newest first, with their dates</Checkbox>
    <p v-if="undated.length > 0" class="quiet">Without a date, and so last: {{ undated.join(', ') }}.</p>
    <p class="quiet">Titles, descriptions and addresses follow the plan. Planned pages are left out.</p>
    <template #buttons>
      <Button @click="emit('close')">Cancel</Button>
      <Button type="primary" :disabled="picked.length === 0" @click="insert">Insert</Button>
    </template>
  </ModalDialog>
</template>

<style scoped>
ol {
  margin: 0 0 10px;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  padding: 2px 0;
  border-bottom: 1px solid var(--rule);
  overflow-wrap: anywhere;
}

.look {
  display: grid;
  gap: 4px;
  margin-top: 12px;
}
</style>
