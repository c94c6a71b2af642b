<script setup lang="ts">
import type { PieceOf } from '@viatica/core/plan/surround/piece.ts'
import PictureField from '../../../../parts/PictureField.vue'
import SavedText from '../../../../parts/SavedText.vue'
import { useSurrounding } from '../../../../stores/surrounding.ts'

const props = defineProps<{ piece: PieceOf<'banner'> }>()

const surrounding = useSurrounding()
const set = (fields: Partial<PieceOf<'banner'>>) => surrounding.set(props.piece, fields)
</script>

<template>
  <p class="quiet">Pages without a banner of their own show that of their section, else this one.</p>
  <PictureField
    label="Picture"
    :value="piece.picture"
    :change="(picture) => ({ kind: 'setPiece', piece: { ...piece, picture } })"
  />
  <SavedText label="Text" :value="piece.text" :save="(text) => set({ text })" />
</template>
