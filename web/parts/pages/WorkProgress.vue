<script setup lang="ts">
import { Button, Progress } from 'ant-design-vue'
import { percentOf, stepWords, type Working } from './steps.ts'

/** How far the work on existing pages is, and the way to stop it. */
defineProps<{ progress: Working }>()
const emit = defineEmits<{ stop: [] }>()
</script>

<template>
  <div class="progress" role="status">
    <span>{{ stepWords(progress) }}</span>
    <span v-if="'total' in progress" class="quiet">{{ progress.done }} of {{ progress.total }}</span>
    <Progress :percent="percentOf(progress)" :show-info="false" size="small" aria-label="How far it is" />
    <Button size="small" @click="emit('stop')">Stop</Button>
  </div>
</template>

<style scoped>
.progress {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
}

.progress :deep(.ant-progress) {
  flex: 1 1 160px;
  margin: 0;
}
</style>
