<script setup lang="ts">
import { shortened } from '@viatica/core/standard/text.ts'
import { Alert, Button, Empty, Spin } from 'ant-design-vue'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useAttempt } from '../../../api/attempt.ts'
import type { PastChange } from '@viatica/core/protocol/history.ts'
import { sitesApi } from '../../../api/sites.ts'
import { useOpenSite } from '../../../stores/openSite.ts'
import { useRipple } from '../../../stores/ripple.ts'
import { siteWork } from '../../../workers/siteWork.ts'

/** All changes of the site with time and words, and the way back to any point as a new change. */
const AT_ONCE = 100

const openSite = useOpenSite()
const ripple = useRipple()
const changes = shallowRef<readonly PastChange[]>()
const hasMore = ref(false)
const { trouble, attempt } = useAttempt()

const time = new Intl.DateTimeFormat('en-GB', { timeStyle: 'short' })
const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'full' })

const days = computed(() => {
  const grouped = new Map<string, PastChange[]>()
  for (const change of changes.value ?? []) {
    const name = day.format(new Date(change.madeAt))
    grouped.set(name, [...(grouped.get(name) ?? []), change])
  }
  return [...grouped]
})

async function read(before?: number): Promise<void> {
  await attempt(async () => {
    const more = await sitesApi.history(openSite.id, before)
    changes.value = before === undefined ? more : [...(changes.value ?? []), ...more]
    hasMore.value = more.length === AT_ONCE
  })
}

onMounted(() => void read())
watch(
  () => openSite.saveState,
  (state) => state === 'saved' && void read(),
)

/** Goes back to where the site stood right after a change, after showing what that does. */
async function goBackTo({ revision, words }: PastChange): Promise<void> {
  await attempt(async () => {
    if (!(await openSite.settle())) return void (trouble.value = 'Your last edits are not saved yet.')
    const { change } = await sitesApi.wayBack(openSite.id, revision)
    if (!change) return void (openSite.notice = 'The site is the same now as it was then.')
    const foreseen = await siteWork.foresee(change)
    if (typeof foreseen === 'string') return void (trouble.value = foreseen)
    const title = `Restore: ${words}`
    if (await ripple.ask({ title, yes: 'Restore', isMove: false, foreseen }))
      openSite.notice = openSite.goBack(revision, change, shortened(`Restored: ${words}`, 500)) ?? ''
  })
}
</script>

<template>
  <div class="history">
    <Alert v-if="trouble" type="error" role="alert" :message="trouble" />
    <Spin v-if="!changes && !trouble" />
    <Empty v-else-if="changes?.length === 0" description="Nothing has been changed yet." />
    <section v-for="[name, ofDay] in days" :key="name">
      <h2>{{ name }}</h2>
      <ol>
        <li v-for="change in ofDay" :key="change.revision">
          <time :datetime="change.madeAt">{{ time.format(new Date(change.madeAt)) }}</time>
          <span class="words">{{ change.words }}</span>
          <span v-if="change === changes![0]" class="quiet">current version</span>
          <button
            v-else
            type="button"
            class="link-button"
            :aria-label="`Restore: ${change.words}`"
            @click="goBackTo(change)"
          >
            Restore this version
          </button>
        </li>
      </ol>
    </section>
    <p v-if="changes && changes.length > 0 && !hasMore" class="start">
      <span>Site created</span>
      <button
        type="button"
        class="link-button"
        @click="goBackTo({ revision: 0, words: 'the site as it was created', madeAt: '' })"
      >
        Restore this version
      </button>
    </p>
    <Button v-if="hasMore" @click="read(changes!.at(-1)!.revision)">Older changes</Button>
  </div>
</template>

<style scoped>
.history {
  max-width: 860px;
  overflow-y: auto;
}

h2 {
  margin: 10px 0 6px;
  font-size: 16px;
}

ol {
  margin: 0 0 12px 6px;
  padding: 0;
  border-left: 3px solid var(--moss);
  list-style: none;
}

li {
  position: relative;
  display: grid;
  grid-template-columns: 48px minmax(0, 1fr) auto;
  gap: 10px;
  padding: 6px 8px 6px 18px;
}

li:hover {
  background: var(--card);
}

li::before {
  content: '';
  position: absolute;
  top: 12px;
  left: -7px;
  width: 11px;
  height: 11px;
  background: var(--paper);
  border: 2px solid var(--pine);
  border-radius: 50%;
}

.start {
  display: flex;
  justify-content: space-between;
  margin: 0 8px 12px 24px;
}

time {
  color: var(--slate);
}

.words {
  overflow-wrap: anywhere;
}
</style>
