<script setup lang="ts">
import type { PieceOf } from '@viatica/core/plan/surround/piece.ts'
import SavedText from '../../../../parts/SavedText.vue'
import { useSurrounding } from '../../../../stores/surrounding.ts'

const props = defineProps<{ piece: PieceOf<'address'> }>()

const surrounding = useSurrounding()
const set = (fields: Partial<PieceOf<'address'>>) => surrounding.set(props.piece, fields)
</script>

<template>
  <SavedText label="Lines" :rows="4" :value="piece.lines" :save="(lines) => set({ lines })" />
</template>
