import type { EntryId } from '@viatica/core/plan/ids.ts'
import type { PageSight } from '@viatica/core/seen/seen.ts'
import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { siteWork } from '../workers/siteWork.ts'
import { useChosen } from './chosen.ts'
import { keptUp } from './keptUp.ts'
import { useOpenSite } from './openSite.ts'

/** Ticks are held against the pages when the typing pauses. */
const PAUSE_MS = 300

/** Which pages of the open site somebody has looked at, as they come out now. */
export const useLooking = defineStore('looking', () => {
  const openSite = useOpenSite()
  const chosen = useChosen()
  /** In the order in which pages are read; undefined before the first answer. */
  const pages = shallowRef<readonly PageSight[]>()

  const left = computed(() => (pages.value ?? []).filter(({ state }) => state !== 'seen'))
  const at = computed(() => (pages.value ?? []).findIndex(({ page }) => page === chosen.id))
  const here = computed(() => pages.value?.[at.value])

  async function look(): Promise<void> {
    const lookedAt = openSite.site
    const answer = await siteWork.sights()
    if (answer && lookedAt === openSite.site) pages.value = answer
  }

  const keepUp = keptUp(openSite, look, PAUSE_MS)
  watch(
    () => openSite.id,
    () => (pages.value = undefined),
  )

  /** Goes to the page so many before or after the chosen one; the order does not wrap. */
  function step(by: 1 | -1): void {
    const to = pages.value?.[at.value + by]
    if (to) chosen.choose(to.page)
  }

  /** Goes to the next page that must be looked at, from the start again after the last. */
  function next(): void {
    const all = pages.value ?? []
    const around = [...all.slice(at.value + 1), ...all.slice(0, Math.max(0, at.value))]
    const to = around.find(({ state }) => state !== 'seen')
    if (to) chosen.choose(to.page)
  }

  /** Ticks a page as seen, as it is now; or takes the tick away. */
  async function tick(entry: EntryId, isSeen: boolean): Promise<void> {
    const value = isSeen
      ? { on: new Date().toISOString().slice(0, 10), marks: await siteWork.marks(entry) }
      : null
    openSite.makeOrTell({ kind: 'setEntry', entry, field: 'seen', value })
  }

  return { pages, left, at, here, keepUp, step, next, tick }
})
