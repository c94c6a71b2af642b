<script setup lang="ts">
import IconChevronDown from '~icons/tabler/chevron-down'
import { type Column, columnOfSection, sectionsOf } from '@viatica/core/shape/columnsFromPlan.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import { entryOf } from '@viatica/core/plan/plan.ts'
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import MenuButton from '../../../parts/MenuButton.vue'
import SavedText from '../../../parts/SavedText.vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import PickedLinks from '../PickedLinks.vue'

/** Columns of links, each with its heading. */
const props = defineProps<{
  columns: readonly Column[]
  save: (columns: Column[]) => string | undefined
}>()

const openSite = useOpenSite()

const set = (at: number, fields: Partial<Column>) =>
  props.save(props.columns.with(at, { ...props.columns[at]!, ...fields }))

function tell(columns: Column[]): void {
  openSite.notice = props.save(columns) ?? ''
}

const add = () =>
  tell([
    ...props.columns,
    { id: crypto.randomUUID(), heading: `Column ${props.columns.length + 1}`, links: [] },
  ])

const ALL = 'all sections'
const sections = computed(() => sectionsOf(openSite.shown))
const entries = computed(() => [
  ...sections.value.map((id) => ({ key: id, label: labelOf(entryOf(openSite.shown.plan, id)) })),
  ...(sections.value.length > 1 ? [{ key: ALL, label: 'One column for each section', begins: true }] : []),
])

/** Adds a column with the links of a section, or one for each. */
function addFrom(key: string): void {
  const wanted = key === ALL ? sections.value : [key]
  const made = wanted.map((id) => columnOfSection(openSite.shown, id, () => crypto.randomUUID()))
  tell([...props.columns, ...made])
}
</script>

<template>
  <fieldset v-for="(column, at) in columns" :key="column.id">
    <legend class="unseen">Column {{ at + 1 }}</legend>
    <SavedText
      :label="`Heading of column ${at + 1}`"
      :value="column.heading"
      :save="(heading) => set(at, { heading })"
    />
    <PickedLinks
      :label="`Links of ${column.heading}`"
      :links="column.links"
      :save="(links) => set(at, { links })"
    />
    <Button size="small" @click="tell(columns.toSpliced(at, 1))">Remove {{ column.heading }}</Button>
  </fieldset>
  <div class="buttons">
    <Button size="small" @click="add">Add column</Button>
    <MenuButton
      v-if="sections.length > 0"
      class="plain-button"
      label="Add column from a section"
      :entries="entries"
      @act="addFrom"
    >
      From a section <IconChevronDown width="14" height="14" aria-hidden="true" />
    </MenuButton>
  </div>
</template>

<style scoped>
.buttons {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}

fieldset {
  margin: 0 0 12px;
  padding: 0 0 10px;
  border: 0;
  border-bottom: 2px solid var(--rule);
}
</style>
