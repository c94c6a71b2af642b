<script setup lang="ts">
import { ref } from 'vue'
import { useAttempt } from '../../api/attempt.ts'
import { requestBlob } from '../../api/request.ts'
import PagesDrop from '../../parts/pages/PagesDrop.vue'
import type { Picked } from '../../workers/bringWorker.ts'

/** Where a folder of pages comes in: dropped, picked, as an archive, or the one that is there to try it with. */
const emit = defineEmits<{ picked: [picked: Picked] }>()

const isFetching = ref(false)
const { trouble, attempt } = useAttempt()

/** See examplePages.ts beside the screens. */
const EXAMPLE = '/examples/pages.zip'

async function tryExample(): Promise<void> {
  isFetching.value = true
  await attempt(async () => emit('picked', { kind: 'zip', file: await requestBlob(EXAMPLE) }))
  isFetching.value = false
}
</script>

<template>
  <section class="intake" aria-labelledby="drop-heading">
    <PagesDrop
      heading="Drop the folder of your site here"
      :level="2"
      @picked="(picked) => emit('picked', picked)"
    >
      Pages in which menu, header and footer were copied by hand are fine: HTML, PHP or SSI, in any encoding,
      with all their pictures and style sheets.
    </PagesDrop>
    <div class="promise">
      <h2>What happens then</h2>
      <ol>
        <li>Viatica works out how the pages are made: what all share, the menus, the plan.</li>
        <li>You see where pages differ from each other, and decide what is brought into line.</li>
        <li>
          Then edit the plan and download the pages in the HTML that you wrote. Only what an edit changes is
          written anew; all other bytes stay.
        </li>
      </ol>
      <p>Nothing is stored before you have seen it, and your folder is only read.</p>
      <p v-if="trouble" class="field-fault" role="alert">{{ trouble }}</p>
      <p>
        <button type="button" class="link-button" :disabled="isFetching" @click="tryExample">
          Try it with the pages of a village allotment society
        </button>
      </p>
    </div>
  </section>
</template>

<style scoped>
.intake {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 24px 40px;
  max-width: 1080px;
  margin: 24px auto;
}

h2 {
  margin-bottom: 8px;
  font-size: 19px;
}

ol {
  display: grid;
  gap: 6px;
  margin: 0 0 12px;
  padding-left: 20px;
}

.link-button {
  min-height: 24px;
}

@media (max-width: 800px) {
  .intake {
    grid-template-columns: minmax(0, 1fr);
    margin: 8px 0;
  }
}
</style>
