<script setup lang="ts">
import type { Publication } from '@viatica/core/publish/report.ts'
import { Alert } from 'ant-design-vue'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { useOpenSite } from '../../stores/openSite.ts'
import { usePublishing } from '../../stores/publishing.ts'
import { counted } from './words.ts'

/** What became of the newest publication: shown until the next one begins. */
const openSite = useOpenSite()
const publishing = usePublishing()

const time = new Intl.DateTimeFormat(undefined, { timeStyle: 'short' })
const day = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium' })
/** The time of today, or the day and the time. */
function at(moment: string): string {
  const then = new Date(moment)
  const isToday = then.toDateString() === new Date().toDateString()
  return isToday ? `at ${time.format(then)}` : `on ${day.format(then)} at ${time.format(then)}`
}

interface Result {
  readonly type: 'success' | 'info' | 'warning' | 'error'
  readonly words: string
  /** A view of this stop with more of it. */
  readonly view?: { readonly name: string; readonly label: string }
}

/** What became of a publication; undefined while it is under way. */
function resultOf({ state, report, endedAt, begunAt }: Publication): Result | undefined {
  const { counts, progress, proof, fault = '' } = report
  const when = at(endedAt ?? begunAt)
  switch (state) {
    case 'done': {
      const { put = 0, removed = 0 } = counts ?? {}
      const deleted = removed > 0 ? ` and deleted ${counted(removed, 'file')}` : ''
      const words =
        put + removed === 0
          ? `Published ${when}: the host already had every file.`
          : `Published ${counted(put, 'file')}${deleted} ${when}.`
      const wrong = proof?.wrong.length ?? 0
      if (wrong === 0) return { type: 'success', words }
      return {
        type: 'warning',
        words: `${words} ${counted(wrong, 'page does', 'pages do')} not reach visitors as published.`,
        view: { name: 'publications', label: 'See which pages' },
      }
    }
    case 'stopped':
    case 'broken off': {
      const why = state === 'stopped' ? 'Stopped' : 'Interrupted because the server was stopped'
      const isSending = progress?.stage === 'sending'
      const after = isSending ? ` after ${progress.files} of ${counted(progress.allFiles, 'file')}` : ''
      return {
        type: 'info',
        words: `${why}${after} ${when}. Every page on the host is complete; publish again to continue.`,
      }
    }
    case 'asks':
      return { type: 'warning', words: fault, view: { name: '', label: 'Review these files' } }
    case 'failed':
      return {
        type: 'error',
        words: `Not published: ${fault}`,
        view: { name: 'host', label: 'Open host settings' },
      }
    case 'preparing':
    case 'sending':
    case 'proving':
      return undefined
  }
}
const result = computed(() => publishing.newest && resultOf(publishing.newest))
const visitedAt = computed(() => publishing.changes?.visitedAt ?? '')
</script>

<template>
  <Alert v-if="result" :type="result.type" show-icon role="status" class="result">
    <template #message>
      {{ result.words }}
      <a
        v-if="publishing.newest!.state === 'done' && visitedAt"
        :href="visitedAt"
        target="_blank"
        rel="noopener"
        >Open the site</a
      >
      <RouterLink
        v-if="result.view"
        :to="{ name: 'publish', params: { id: openSite.id, view: result.view.name } }"
        >{{ result.view.label }}</RouterLink
      >
    </template>
  </Alert>
</template>

<style scoped>
.result {
  margin-bottom: 10px;
}

.result a {
  margin-left: 6px;
  color: var(--pine);
  text-decoration: underline;
}
</style>
