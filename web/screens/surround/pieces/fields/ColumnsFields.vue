<script setup lang="ts">
import type { PieceOf } from '@viatica/core/plan/surround/piece.ts'
import SavedText from '../../../../parts/SavedText.vue'
import ColumnFields from '../ColumnFields.vue'
import { useSurrounding } from '../../../../stores/surrounding.ts'

const props = defineProps<{ piece: PieceOf<'columns'> }>()

const surrounding = useSurrounding()
const set = (fields: Partial<PieceOf<'columns'>>) => surrounding.set(props.piece, fields)
</script>

<template>
  <SavedText label="Label for screen readers" :value="piece.label" :save="(label) => set({ label })" />
  <ColumnFields :columns="piece.columns" :save="(columns) => set({ columns })" />
</template>
