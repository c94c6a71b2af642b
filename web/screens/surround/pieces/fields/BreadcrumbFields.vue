<script setup lang="ts">
import type { PieceOf } from '@viatica/core/plan/surround/piece.ts'

defineProps<{ piece: PieceOf<'breadcrumb'> }>()
</script>

<template>
  <p class="quiet">What it shows, and from which level on, is settled under Marks.</p>
</template>
