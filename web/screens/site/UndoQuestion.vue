<script setup lang="ts">
import type { SingleChange } from '@viatica/core/plan/change/change.ts'
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import ModalDialog from '../../parts/ModalDialog.vue'
import { useOpenSite } from '../../stores/openSite.ts'

/** Asks before something is undone over what another window wrote since, and shows both. */
const openSite = useOpenSite()

/** A value as it can be read; undefined for one that is not text. */
function readable(value: unknown): string | undefined {
  if (typeof value === 'string') return value === '' ? '(empty)' : value
  if (typeof value === 'object' && value && 'html' in value) return String(value.html)
  return undefined
}

const wanted = (change: SingleChange) => ('value' in change ? readable(change.value) : undefined)

const versions = computed(() => {
  const { change, now } = openSite.question!
  const [is, was] = [readable(now), wanted(change)]
  return is === undefined || was === undefined ? undefined : { is, was }
})
</script>

<template>
  <ModalDialog
    v-if="openSite.question"
    open
    wide
    title="Undo what was changed since?"
    @close="openSite.question.answer(false)"
  >
    <p>{{ openSite.question.message }} Undoing your edit would replace that.</p>
    <div v-if="versions" class="versions">
      <section aria-labelledby="undo-now">
        <h3 id="undo-now">Now</h3>
        <p class="text">{{ versions.is }}</p>
      </section>
      <section aria-labelledby="undo-then">
        <h3 id="undo-then">After undoing</h3>
        <p class="text">{{ versions.was }}</p>
      </section>
    </div>
    <template #buttons>
      <Button @click="openSite.question.answer(false)">Cancel</Button>
      <Button type="primary" @click="openSite.question.answer(true)">Undo anyway</Button>
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
