<script setup lang="ts">
import { pieceName } from '@viatica/core/plan/surround/piece.ts'
import type { Standing } from '@viatica/core/plan/surround/surround.ts'
import { ref } from 'vue'
import { usePieceDrag } from './pieceDrag.ts'

/** The frame around a piece on the page, with its name: it is chosen and dragged there. By keyboard the list does both. */
const props = defineProps<{
  standing: Standing
  /** In pixels of the screen. */
  at: { readonly x: number; readonly y: number; readonly width: number; readonly height: number }
  isChosen: boolean
  /** Whether it is pointed at in the list. */
  isPointedAt: boolean
}>()

const element = ref<HTMLElement>()
const edge = usePieceDrag(element, () => props.standing)
</script>

<template>
  <div
    ref="element"
    class="outline"
    :class="[edge && `edge-${edge}`, { chosen: isChosen, pointed: isPointedAt, low: at.y < 24 }]"
    :style="{ left: `${at.x}px`, top: `${at.y}px`, width: `${at.width}px`, height: `${at.height}px` }"
    :data-on-page="standing.piece.id"
  >
    <span class="name">{{ pieceName(standing.piece.kind) }}</span>
  </div>
</template>

<style scoped>
.outline {
  position: absolute;
  z-index: 2;
  border: 2px solid transparent;
  cursor: grab;
}

.name {
  position: absolute;
  bottom: 100%;
  left: -2px;
  display: none;
  padding: 1px 7px 2px;
  color: #fff;
  background: var(--pine);
  font-size: 13px;
  font-weight: 600;
  white-space: nowrap;
  pointer-events: none;
}

/* Above the first piece of a page there is no room. */
.low .name {
  top: 0;
  bottom: auto;
}

.outline:hover,
.pointed {
  z-index: 3;
  border-color: var(--pine);
}

.chosen {
  z-index: 3;
  background: #c98a121a;
  border-color: var(--ochre);
}

.chosen .name {
  color: var(--ink);
  background: var(--ochre);
}

.outline:hover .name,
.pointed .name,
.chosen .name {
  display: block;
}

.edge-top {
  border-top: 6px solid var(--pine);
}

.edge-bottom {
  border-bottom: 6px solid var(--pine);
}

.edge-right {
  border-right: 6px solid var(--pine);
}
</style>
