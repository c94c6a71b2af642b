import { addressesOf } from '@viatica/core/address/addresses.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { previewPass } from '../api/previewPass.ts'
import { siteServer } from '../api/siteServer.ts'
import { Exchange } from '../exchange/exchange.ts'
import type { ExchangeState } from '../exchange/state.ts'
import { KeptInBrowser } from '../exchange/keptInBrowser.ts'
import { sayThatWeLive } from '../exchange/living.ts'
import { nextTask } from '../workers/nextTask.ts'
import { useRipple } from './ripple.ts'
import { useWindows } from './windows.ts'

/** A plan of so many entries takes long to lay out. */
const LARGE = 1000

/** The site that is open: what its exchange with the server shows, and what can be done to it. */
export const useOpenSite = defineStore('openSite', () => {
  const ripple = useRipple()
  const windows = useWindows()
  const keeping = new KeptInBrowser()
  sayThatWeLive(windows.mine)
  const id = ref('')
  /** Counts up whenever something about the publications of the site is new. */
  const published = ref(0)
  /** Counts up whenever the site changed otherwise than by an edit that was made here. */
  const fromOthers = ref(0)
  const state = shallowRef<ExchangeState>()
  /** Exchanges that are shown, or still have something to save. */
  const exchanges = new Map<string, Exchange>()
  let current: Exchange | undefined
  /** Who keeps an edit that could not be made in a way of their own. */
  let keepsLost: ((change: Change) => boolean) | undefined

  const site = computed(() => state.value?.site)
  /** The site, on a screen that is only there while one is open. Throws without one. */
  const shown = computed(() => {
    if (!site.value) throw new Error('No site is open.')
    return site.value
  })
  const saveState = computed(() => {
    if (!state.value) return 'saved'
    if (state.value.saveTrouble) return 'failed'
    if (state.value.waiting > 0) return 'saving'
    return state.value.isTyping ? 'typing' : 'saved'
  })
  const notice = computed({
    get: () => state.value?.notice ?? '',
    set: (words) => current?.tell(words),
  })
  const part = <Name extends keyof ExchangeState>(name: Name, without: ExchangeState[Name]) =>
    computed(() => state.value?.[name] ?? without)

  /** The exchange of a site. What it shows is seen only while it is the one that is open. */
  function exchangeOf(siteId: string): Exchange {
    const known = exchanges.get(siteId)
    if (known && !known.isOver) return known
    const isShown = () => current === exchange
    const exchange: Exchange = new Exchange({
      site: siteId,
      window: windows.mine,
      server: siteServer(siteId),
      keeping,
      shows(next) {
        if (isShown()) state.value = next
        else if (exchange.isIdle) exchanges.delete(siteId)
      },
      made(change, goesOn) {
        if (isShown()) void ripple.follow(change, goesOn)
      },
      // In tasks of their own, so that the window does not stand still for all of it.
      async prepares(next) {
        if (next.plan.entries.size < LARGE) return
        await nextTask()
        addressesOf(next)
        await nextTask()
      },
      reset(next) {
        if (!isShown()) return
        fromOthers.value++
        ripple.reset(next)
      },
      lost: (change) => isShown() && (keepsLost?.(change) ?? false),
      hears: windows.hear,
      publishing: () => void (isShown() && published.value++),
      opened: windows.ask,
    })
    exchanges.set(siteId, exchange)
    return exchange
  }

  /** Opens a site: reads it anew. What another that was open has not saved yet goes on being saved. */
  async function open(siteId: string): Promise<void> {
    if (current && siteId !== id.value) {
      current.close()
      if (current.isIdle) exchanges.delete(id.value)
    }
    id.value = siteId
    const exchange = exchangeOf(siteId)
    current = exchange
    state.value = exchange.state
    await previewPass.begin(siteId)
    // Another may have been opened meanwhile.
    if (current === exchange) await exchange.open()
  }

  /** Leaves the site that is open: nothing more is heard of it, and what waits is still saved. */
  const leave = () => current?.close()

  // What is made within a visit to a field, and what would be made of what is typed there.
  let typing: string | undefined
  let captured: { change: Change | undefined } | undefined

  /** Makes a change. @returns why it was refused, in words for the author; undefined when it was made */
  function make(change: Change): string | undefined {
    if (captured) {
      captured.change ??= change
      // As a refusal: what follows a change that was made does not follow here.
      return 'This is not made yet.'
    }
    return current!.make(change, typing)
  }

  /** Does something within one visit to a field: what is typed on there is one step to undo. */
  function whileTyping<Result>(visit: string, work: () => Result): Result {
    typing = visit
    try {
      return work()
    } finally {
      typing = undefined
    }
  }

  /** Keeps what is typed into a field, and is no edit yet. @param save what would make it one */
  function keepTyped(field: string, save: () => unknown, waits: boolean): void {
    captured = { change: undefined }
    save()
    const { change } = captured
    captured = undefined
    if (change && typeof current!.tryOut(change) !== 'string') current!.keepTyped(field, change, waits)
  }

  /** What makes edits of what is typed, where that waits for the typing to pause. */
  const savers = new Set<() => void>()

  /** Lets what is typed somewhere be saved when that cannot wait. @returns what ends it */
  function savesWith(save: () => void): () => void {
    savers.add(save)
    return () => savers.delete(save)
  }

  /** Makes edits of all that is typed and needs no more than a pause. */
  function saveTyped(): void {
    for (const save of savers) save()
  }

  /** Waits for edits that are on their way. @returns whether all are saved now; not while saving fails */
  async function settle(): Promise<boolean> {
    saveTyped()
    return (await current?.settle()) ?? true
  }

  /** As make, for changes without a field beside which the reason could stand. */
  function makeOrTell(change: Change): boolean {
    const refused = make(change)
    if (!captured) notice.value = refused ?? ''
    return refused === undefined
  }

  return {
    id,
    published,
    fromOthers,
    site,
    shown,
    saveState,
    notice,
    trouble: part('trouble', ''),
    saveTrouble: part('saveTrouble', ''),
    isKept: part('isKept', true),
    done: part('done', []),
    undone: part('undone', []),
    lastWords: part('lastWords', ''),
    apart: part('apart', []),
    typed: part('typed', []),
    question: part('question', undefined),
    open,
    leave,
    make,
    makeOrTell,
    whileTyping,
    keepTyped,
    /** Whether `keepTyped` only asks what would be saved: nobody is to be asked anything then. */
    isKeeping: () => captured !== undefined,
    forgetTyped: (field: string) => current?.forgetTyped(field),
    useTyped: (text: ExchangeState['typed'][number]) => current?.useTyped(text),
    tryOut: (change: Change) => current!.tryOut(change),
    savesWith,
    saveTyped,
    settle,
    undo: () => current?.undo(),
    redo: () => current?.redo(),
    tryAgain: (edit: ExchangeState['apart'][number]) => current?.tryAgain(edit),
    discard: (edit: string) => current?.discard(edit),
    goBack: (to: number, change: Change, words: string) => current!.goBack(to, change, words),
    /** Lets somebody keep edits that could not be made; they say whether they do. */
    onLost(keeps: (change: Change) => boolean) {
      keepsLost = keeps
    },
  }
})
