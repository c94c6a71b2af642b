<script setup lang="ts">
import type { PieceOf } from '@viatica/core/plan/surround/piece.ts'
import { Button } from 'ant-design-vue'
import SavedText from '../../../parts/SavedText.vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import PickedLinks from '../PickedLinks.vue'

/** Columns of links, each with its heading. */
type Column = PieceOf<'columns'>['columns'][number]
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
  <Button size="small" @click="add">Add a column</Button>
</template>

<style scoped>
fieldset {
  margin: 0 0 12px;
  padding: 0 0 10px;
  border: 0;
  border-bottom: 2px solid var(--rule);
}
</style>
