<script setup lang="ts">
import { type Place, PLACE_NAMES } from '@viatica/core/plan/surround/place.ts'
import { ref } from 'vue'
import { usePlaceDrop } from './pieceDrag.ts'

/** Where a place is on the page, while a piece is dragged. */
const props = defineProps<{
  place: Place
  /** In pixels of the screen. */
  at: { readonly x: number; readonly y: number; readonly width: number; readonly height: number }
  isEmpty: boolean
}>()

const element = ref<HTMLElement>()
const isOver = usePlaceDrop(element, () => props.place)
</script>

<template>
  <div
    ref="element"
    class="place"
    :class="{ over: isOver, empty: isEmpty }"
    :style="{ left: `${at.x}px`, top: `${at.y}px`, width: `${at.width}px`, height: `${at.height}px` }"
    :data-place-on-page="place"
  >
    <span>{{ PLACE_NAMES[place] }}</span>
  </div>
</template>

<style scoped>
.place {
  position: absolute;
  z-index: 1;
  background: #1f5a4c1f;
  border: 2px dashed var(--pine);
}

/* It takes some of the room of others, and is the smaller one. */
.empty {
  z-index: 4;
}

.over {
  background: #1f5a4c55;
}

span {
  position: absolute;
  top: 0;
  right: 0;
  padding: 1px 7px 2px;
  color: #fff;
  background: var(--pine);
  font-size: 13px;
  pointer-events: none;
}
</style>
