<script setup lang="ts">
import { Button, Progress } from 'ant-design-vue'
import { computed } from 'vue'
import { usePublishing } from '../../stores/publishing.ts'

/** The publication that is under way, in whichever window it was begun: how far it is, and a way to stop it. */
const publishing = usePublishing()
const progress = computed(() => publishing.underWay?.report.progress)

const words = computed(() => {
  const { state, report } = publishing.underWay!
  if (report.waits) return report.waits
  const { files = 0, allFiles = 0, stage } = report.progress ?? {}
  switch (state) {
    case 'preparing':
      return allFiles === 0 ? 'Writing the pages' : `Writing the pages: ${files} of ${allFiles} files`
    case 'proving':
      return `Asking for the pages as a visitor: ${files} of ${allFiles}`
    default:
      return stage === 'sending'
        ? `Sending: ${files} of ${allFiles} files`
        : 'Looking at what is on the host …'
  }
})
const percent = computed(() => {
  const { files = 0, allFiles = 0 } = progress.value ?? {}
  return allFiles === 0 ? 0 : Math.round((100 * files) / allFiles)
})
</script>

<template>
  <div v-if="publishing.underWay" class="under-way">
    <p role="status"><strong>Publication {{ publishing.underWay.number }}</strong> {{ words }}</p>
    <Progress :percent="percent" size="small" aria-label="How far the publication is" />
    <Button size="small" @click="publishing.stop">Stop</Button>
  </div>
</template>

<style scoped>
.under-way {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 180px auto;
  gap: 12px;
  align-items: center;
  margin-bottom: 10px;
  padding: 8px 12px;
  background: var(--card);
  border: 2px solid var(--pine);
  border-radius: 3px;
}

p {
  margin: 0;
}

@media (max-width: 700px) {
  .under-way {
    grid-template-columns: minmax(0, 1fr) auto;
  }

  p {
    grid-column: 1 / -1;
  }
}
</style>
