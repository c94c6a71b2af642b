<script setup lang="ts">
import type { PieceOf } from '@viatica/core/plan/surround/piece.ts'
import SavedText from '../../../../parts/SavedText.vue'
import { useSurrounding } from '../../../../stores/surrounding.ts'

const props = defineProps<{ piece: PieceOf<'html'> }>()

const surrounding = useSurrounding()
const set = (fields: Partial<PieceOf<'html'>>) => surrounding.set(props.piece, fields)
</script>

<template>
  <SavedText label="HTML" code :rows="12" :value="piece.html" :save="(html) => set({ html })">
    <template #hint>
      <code>&lt;put-menu menu="Main" shape="row"&gt;</code>, <code>&lt;put-breadcrumb&gt;</code>,
      <code>&lt;put-pager&gt;</code>, <code>&lt;put-pages&gt;</code>, <code>&lt;put-site-map&gt;</code>,
      <code>&lt;put-title&gt;</code> and <code>&lt;put-year&gt;</code> are filled in on each page
    </template>
  </SavedText>
</template>
