<script setup lang="ts">
import { type LinkWay, wayBit } from '@viatica/core/statistics/linkPicture.ts'
import { onMounted, ref } from 'vue'
import { drawCell } from './drawMatrix.ts'

/** How a way of linking is drawn in the matrix. */
const props = defineProps<{ way: LinkWay }>()

const SIZE = 15
const canvas = ref<HTMLCanvasElement>()
onMounted(() => {
  const pen = canvas.value!.getContext('2d')!
  const ratio = window.devicePixelRatio
  canvas.value!.width = canvas.value!.height = SIZE * ratio
  pen.scale(ratio, ratio)
  drawCell(pen, 0, 0, SIZE + 1, wayBit(props.way))
})
</script>

<template>
  <canvas ref="canvas" :style="{ width: `${SIZE}px`, height: `${SIZE}px` }" aria-hidden="true" />
</template>

<style scoped>
canvas {
  background: #fff;
  outline: 1px solid var(--rule);
  vertical-align: -2px;
}
</style>
