<script setup lang="ts">
import type { PieceOf } from '@viatica/core/plan/surround/piece.ts'
import SavedText from '../../../../parts/SavedText.vue'
import PickedLinks from '../../PickedLinks.vue'
import { useSurrounding } from '../../../../stores/surrounding.ts'

const props = defineProps<{ piece: PieceOf<'links'> }>()

const surrounding = useSurrounding()
const set = (fields: Partial<PieceOf<'links'>>) => surrounding.set(props.piece, fields)
</script>

<template>
  <SavedText label="Label for screen readers" :value="piece.label" :save="(label) => set({ label })" />
  <PickedLinks label="Links" :links="piece.links" can-be-button :save="(links) => set({ links })" />
</template>
