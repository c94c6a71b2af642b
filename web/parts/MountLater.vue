<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { nextTask } from '../workers/nextTask.ts'

/** Mounts what is in it in a task of its own: a screen that is mounted at once stops the window for longer than a click may wait. */
const isDue = ref(false)
onMounted(async () => {
  await nextTask()
  isDue.value = true
})
</script>

<template>
  <slot v-if="isDue" />
</template>
