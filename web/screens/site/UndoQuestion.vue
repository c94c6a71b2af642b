<script setup lang="ts">
import { pageShowing, takenBackBy } from '@viatica/core/plan/change/takenBack.ts'
import type { Plan } from '@viatica/core/plan/plan.ts'
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import LivePage from '../../parts/LivePage.vue'
import ModalDialog from '../../parts/ModalDialog.vue'
import { useChosen } from '../../stores/chosen.ts'
import { useOpenSite } from '../../stores/openSite.ts'

/** Asks before something is undone or redone over what another window wrote since, and shows both. */
const openSite = useOpenSite()
const chosen = useChosen()

const words = computed(() =>
  openSite.question!.isRedo
    ? { title: 'Redo', would: 'Redoing', then: 'After redoing' }
    : { title: 'Undo', would: 'Undoing', then: 'After undoing' },
)
const versions = computed(() => {
  const { change, now } = openSite.question!
  return takenBackBy(openSite.shown, change, now)
})
/** Both sides as a page, where a page shows them better than words. */
const pictures = computed(() => {
  const { change, then } = openSite.question!
  const site = openSite.shown
  const page = pageShowing(change, chosen.entry?.kind === 'page' ? chosen.id : site.plan.home)
  const isThere = (plan: Plan | undefined) => page !== undefined && plan?.entries.get(page)?.kind === 'page'
  if (!then || page === undefined || !isThere(site.plan) || !isThere(then.plan)) return undefined
  return [
    { id: 'undo-now', title: 'Now', site, page },
    { id: 'undo-then', title: words.value.then, site: then, page },
  ]
})
/** As wide as the page is taken to be, in CSS pixels. */
const WIDTH = 1024
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
    <div v-if="pictures" class="versions">
      <section v-for="{ id, title, site, page } in pictures" :key="id" :aria-labelledby="id">
        <h3 :id="id">{{ title }}</h3>
        <LivePage :page="page" :site="site" :width="WIDTH" class="picture" />
      </section>
    </div>
    <div v-else-if="versions" class="versions">
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

section {
  min-width: 0;
}

.picture {
  height: 40vh;
}

@media (max-width: 640px) {
  .versions {
    grid-template-columns: minmax(0, 1fr);
  }

  .picture {
    height: 26vh;
  }
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
