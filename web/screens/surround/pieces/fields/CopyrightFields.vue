<script setup lang="ts">
import type { PieceOf } from '@viatica/core/plan/surround/piece.ts'
import { computed } from 'vue'
import SavedText from '../../../../parts/SavedText.vue'
import { useOpenSite } from '../../../../stores/openSite.ts'
import { useSurrounding } from '../../../../stores/surrounding.ts'

const props = defineProps<{ piece: PieceOf<'copyright'> }>()

const surrounding = useSurrounding()
const set = (fields: Partial<PieceOf<'copyright'>>) => surrounding.set(props.piece, fields)

const openSite = useOpenSite()
const settings = computed(() => openSite.shown.settings)

function saveYear(text: string): string | undefined {
  const from = text.trim() === '' ? null : Number(text)
  return Number.isNaN(from) ? 'must be a year such as 1971, or empty' : set({ from })
}
</script>

<template>
  <SavedText
    label="Holder"
    :placeholder="settings.name"
    :value="piece.holder"
    :save="(holder) => set({ holder })"
  />
  <SavedText
    label="First year"
    placeholder="none"
    :value="piece.from === null ? '' : String(piece.from)"
    :save="saveYear"
  >
    <template #hint>the line runs to the year in which the site is made</template>
  </SavedText>
</template>
