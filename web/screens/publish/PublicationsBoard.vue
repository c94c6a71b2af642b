<script setup lang="ts">
import { Button, Spin } from 'ant-design-vue'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Publication } from '@viatica/core/publish/report.ts'
import type { KeptFile } from '@viatica/core/protocol/publish.ts'
import { publishApi } from '../../api/publish.ts'
import { useOpenSite } from '../../stores/openSite.ts'
import { usePublishing } from '../../stores/publishing.ts'
import PublishAgain from './PublishAgain.vue'
import { countWords, sizeWords, stateWords } from './words.ts'

/** What was published to this host, by whom, and what became of it. */
const openSite = useOpenSite()
const publishing = usePublishing()

const again = ref<Publication>()
const kept = shallowRef<readonly KeptFile[]>([])
watch(
  () => publishing.publications,
  async () => (kept.value = await publishApi.kept(openSite.id, publishing.chosenId).catch(() => [])),
  { immediate: true },
)
const time = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })
const when = (at: string) => time.format(new Date(at))
const newestDone = computed(() => publishing.publications?.find(({ state }) => state === 'done'))
</script>

<template>
  <Spin v-if="!publishing.publications" class="waits" />
  <p v-else-if="publishing.publications.length === 0" class="nothing">
    Nothing was published to this host yet. What the first publication sends is listed under Changes.
  </p>
  <div v-else>
    <ol class="list" aria-label="Publications, the newest first">
      <li v-for="one in publishing.publications" :key="one.id">
        <p class="head">
          <strong>{{ one.number }}</strong>
          <time :datetime="one.begunAt">{{ when(one.begunAt) }}</time>
          <span :class="{ fault: one.state === 'failed' || one.state === 'asks' }">{{
            stateWords(one)
          }}</span>
          <span v-if="one.by">by {{ one.by }}</span>
          <span v-if="one.againOf !== null">again as {{ one.againOf }}</span>
          <Button
            v-if="one.state === 'done' && one.id !== newestDone?.id"
            size="small"
            class="again"
            :disabled="publishing.underWay !== undefined"
            @click="again = one"
            >Publish this again …</Button
          >
        </p>
        <p v-if="countWords(one)" class="quiet">{{ countWords(one) }}</p>
        <p v-if="one.report.fault" class="fault">{{ one.report.fault }}</p>
        <details v-if="one.report.proof?.wrong.length">
          <summary>{{ one.report.proof.wrong.length }} pages come to visitors otherwise</summary>
          <ul>
            <li v-for="wrong in one.report.proof.wrong" :key="wrong.path">
              <code>{{ wrong.path }}</code> {{ wrong.words }}
            </li>
          </ul>
        </details>
      </li>
    </ol>
    <section v-if="kept.length > 0" aria-label="Files of others, kept">
      <h2>Kept from the host</h2>
      <p class="quiet">
        Files that somebody changed on the host, as they were when a publication came upon them.
      </p>
      <ul class="kept">
        <li v-for="file in kept" :key="file.path + file.digest">
          <a :href="publishApi.keptUrl(openSite.id, publishing.chosenId, file)" download>{{ file.path }}</a>
          <span class="quiet">{{ sizeWords(file.size) }}, {{ when(file.keptAt) }}</span>
        </li>
      </ul>
    </section>
    <PublishAgain v-if="again" :publication="again" @close="again = undefined" />
  </div>
</template>

<style scoped>
.list {
  margin: 0;
  padding: 0;
  list-style: none;
}

.list > li {
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
}

p {
  margin: 0;
}

.again {
  margin-left: auto;
}

.fault {
  color: var(--brick);
}

h2 {
  margin: 20px 0 4px;
  font-size: 16px;
}

.kept {
  margin: 4px 0 0;
  padding-left: 18px;
}

.kept .quiet {
  margin-left: 8px;
}

.nothing {
  padding: 20px;
  text-align: center;
  background: var(--card);
  border: 1px solid var(--rule);
}

.waits {
  margin: 40px auto;
}
</style>
