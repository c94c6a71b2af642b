<script setup lang="ts">
import { takenBackBy } from '@viatica/core/plan/change/takenBack.ts'
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import ModalDialog from '../../parts/ModalDialog.vue'
import { useOpenSite } from '../../stores/openSite.ts'

/** Asks before something is undone or redone over what another window wrote since, and shows both. */
const openSite = useOpenSite()

const words = computed(() =>
  openSite.question!.isRedo
    ? { title: 'Redo', would: 'Redoing', then: 'After redoing' }
    : { title: 'Undo', would: 'Undoing', then: 'After undoing' },
)
const versions = computed(() => {
  const { change, now } = openSite.question!
  return takenBackBy(openSite.site!, change, now)
})
</script>

<template>
  <ModalDialog
    v-if="openSite.question"
    open
    wide
    :title="`${words.title} what was changed since?`"
    @close="openSite.question.answer(false)"
  >
    <p>{{ openSite.question.message }} {{ words.would }} your edit would replace that.</p>
    <div v-if="versions" class="versions">
      <section aria-labelledby="undo-now">
        <h3 id="undo-now">Now</h3>
        <p class="text">{{ versions.now }}</p>
      </section>
      <section aria-labelledby="undo-then">
        <h3 id="undo-then">{{ words.then }}</h3>
        <p class="text">{{ versions.then }}</p>
      </section>
    </div>
    <template #buttons>
      <Button @click="openSite.question.answer(false)">Cancel</Button>
      <Button type="primary" @click="openSite.question.answer(true)">{{ words.title }} anyway</Button>
    </template>
  </ModalDialog>
</template>

<style scoped>
.versions {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
}

h3 {
  margin: 0 0 4px;
  font-size: 14px;
}

.text {
  max-height: 40vh;
  margin: 0;
  padding: 8px;
  overflow: auto;
  overflow-wrap: anywhere;
  background: #fff;
  border: 1px solid var(--rule);
  white-space: pre-wrap;
}
</style>
