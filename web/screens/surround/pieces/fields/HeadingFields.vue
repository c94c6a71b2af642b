<script setup lang="ts">
import type { PieceOf } from '@viatica/core/plan/surround/piece.ts'

defineProps<{ piece: PieceOf<'heading'> }>()
</script>

<template>
  <p class="quiet">The first heading of each page stands here, in place of above its content.</p>
</template>
