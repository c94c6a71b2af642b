<script setup lang="ts">
import { PAGER_SHOWS } from '@viatica/core/pieces/pager/model.ts'
import type { PieceOf } from '@viatica/core/plan/surround/piece.ts'
import { Checkbox } from 'ant-design-vue'
import LabelledChoice from '../../../../parts/LabelledChoice.vue'
import { useSurrounding } from '../../../../stores/surrounding.ts'

const props = defineProps<{ piece: PieceOf<'pager'> }>()

const surrounding = useSurrounding()
const set = (fields: Partial<PieceOf<'pager'>>) => surrounding.set(props.piece, fields)

const SHOWS_LABELS = { words: 'the words', labels: 'the pages’ labels', both: 'both' }
const shows = PAGER_SHOWS.map((value) => ({ value, label: SHOWS_LABELS[value] }))
</script>

<template>
  <LabelledChoice
    label="Links say"
    :options="shows"
    :model-value="piece.shows"
    @update:model-value="(value) => set({ shows: value })"
  />
  <Checkbox class="tick" :checked="piece.up" @change="set({ up: $event.target.checked })"
    >with a link up to the page above</Checkbox
  >
</template>
