<script setup lang="ts">
import type { PieceOf } from '@viatica/core/plan/surround/piece.ts'
import SavedText from '../../../../parts/SavedText.vue'
import { useSurrounding } from '../../../../stores/surrounding.ts'

const props = defineProps<{ piece: PieceOf<'contact'> }>()

const surrounding = useSurrounding()
const set = (fields: Partial<PieceOf<'contact'>>) => surrounding.set(props.piece, fields)
</script>

<template>
  <SavedText label="Heading" :value="piece.heading" :save="(heading) => set({ heading })" />
  <SavedText label="Lines" :rows="4" :value="piece.lines" :save="(lines) => set({ lines })">
    <template #hint>an e-mail address and a phone number become links; “Phone: …” keeps its word</template>
  </SavedText>
</template>
