<script setup lang="ts">
import type { PieceOf } from '@viatica/core/plan/surround/piece.ts'
import SavedText from '../../../../parts/SavedText.vue'
import { useSurrounding } from '../../../../stores/surrounding.ts'

const props = defineProps<{ piece: PieceOf<'text'> }>()

const surrounding = useSurrounding()
const set = (fields: Partial<PieceOf<'text'>>) => surrounding.set(props.piece, fields)
</script>

<template>
  <SavedText label="Text" :rows="6" :value="piece.text" :save="(text) => set({ text })">
    <template #hint>an empty line begins a new paragraph</template>
  </SavedText>
</template>
