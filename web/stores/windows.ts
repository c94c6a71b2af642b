import type { EntryId } from '@viatica/core/plan/ids.ts'
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { sitesApi } from '../api/sites.ts'
import type { WindowAt } from '@viatica/core/protocol/windows.ts'

/** A window says again where it is before the others forget it. */
const SAY_AGAIN_MS = 20_000
const FORGET_MS = 50_000

interface Heard {
  readonly page: EntryId
  readonly at: number
}

/** Which other windows write on which page, as they say themselves. */
export const useWindows = defineStore('windows', () => {
  const mine = crypto.randomUUID()
  const others = shallowRef<ReadonlyMap<string, Heard>>(new Map())
  /** Where this window writes; empty while it does not. */
  const site = ref('')
  const page = ref<EntryId>('')
  let again: ReturnType<typeof setInterval> | undefined

  const say = (asks: boolean) => sitesApi.announceWindow(site.value, { window: mine, page: page.value, asks })

  /** Takes in what a window says, and answers it. */
  function hear({ window, page: where, asks }: WindowAt): void {
    if (window === mine) return
    const next = new Map(others.value)
    if (where === '') next.delete(window)
    else next.set(window, { page: where, at: Date.now() })
    others.value = next
    if (asks && page.value !== '') say(false)
  }

  /** Asks the other windows where they write: what they said before was not heard. */
  function ask(): void {
    if (page.value !== '') say(true)
  }

  function forgetLost(): void {
    const now = Date.now()
    others.value = new Map([...others.value].filter(([, { at }]) => now - at < FORGET_MS))
  }

  /** Says that this window writes on a page; empty when it does not any more. */
  function write(onSite: string, onPage: EntryId): void {
    if (site.value === onSite && page.value === onPage) return
    clearInterval(again)
    if (site.value !== onSite) others.value = new Map()
    const wroteBefore = page.value !== ''
    site.value = onSite
    page.value = onPage
    if (onPage !== '' || wroteBefore) say(onPage !== '')
    if (onPage === '') return
    again = setInterval(() => {
      say(false)
      forgetLost()
    }, SAY_AGAIN_MS)
  }

  /** How many other windows write on a page. */
  const countOn = (id: EntryId) => [...others.value.values()].filter(({ page }) => page === id).length

  return { mine, others, hear, ask, write, countOn }
})
