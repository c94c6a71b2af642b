import { type Applied, applyChange, singlesOf } from '@viatica/core/plan/change/apply.ts'
import { type Change, changeSchema } from '@viatica/core/plan/change/change.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { changeWords } from '@viatica/core/plan/change/words.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { fromSiteData } from '@viatica/core/plan/siteData.ts'
import { defineStore } from 'pinia'
import * as v from 'valibot'
import { computed, ref, shallowRef, watch } from 'vue'
import { Refusal } from '../api/request.ts'
import { sitesApi } from '../api/sites.ts'
import { useRipple } from './ripple.ts'
import { useWindows } from './windows.ts'

/** A change that was made here, and how to take it back. */
interface Step {
  readonly words: string
  readonly change: Change
  readonly inverse: Change
  readonly at: number
}

/** A change that holds, with the site after it and what takes it back. */
interface Tried extends Applied {
  readonly change: Change
}

const RETRY_FIRST_MS = 1000
const RETRY_LAST_MS = 10_000
/** Typing that goes on in one field within this time is one step to undo. */
const SAME_STEP_MS = 4000

/** The fields in which two objects of one kind differ. */
function fieldsApart(a: object, b: object): string[] {
  const [one, other] = [a as Record<string, unknown>, b as Record<string, unknown>]
  return Object.keys(other).filter((field) => one[field] !== other[field])
}

/** Whether two changes set the same field, so that undo takes both back at once. */
function setSameField(a: Change, b: Change): boolean {
  if (a.kind !== b.kind) return false
  switch (a.kind) {
    case 'setEntry':
      return b.kind === a.kind && a.entry === b.entry && a.field === b.field
    case 'setSite':
    case 'setSurround':
      return b.kind === a.kind && a.field === b.field
    case 'setPiece':
      // The second was made of the first: what they differ in is what was typed on.
      return b.kind === a.kind && a.piece.id === b.piece.id && fieldsApart(a.piece, b.piece).length <= 1
    case 'setMenu':
      return b.kind === a.kind && a.menu.id === b.menu.id && fieldsApart(a.menu, b.menu).length <= 1
    default:
      return false
  }
}

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

/**
 * The site that is open. A change is applied here at once and posted after; what the server has confirmed is
 * kept apart, so that changes of others can be slipped under those that still wait.
 */
export const useOpenSite = defineStore('openSite', () => {
  const ripple = useRipple()
  const windows = useWindows()
  const id = ref('')
  const site = shallowRef<Site>()
  const trouble = ref('')
  /** Why edits cannot be saved just now; empty while they can. */
  const saveTrouble = ref('')
  /** The last thing that was refused or lost, to be told to the author. */
  const notice = ref('')
  const waiting = shallowRef<readonly { id: string; change: Change }[]>([])
  const done = shallowRef<readonly Step[]>([])
  const undone = shallowRef<readonly Step[]>([])
  const lastWords = ref('')

  /** The last edit that was refused after it had been shown: whoever still has what it said can keep it. */
  const lost = shallowRef<Change>()

  let confirmed: Site | undefined
  let revision = 0
  let posting = false
  let hearing: (() => void) | undefined
  /** The newest revision that was heard of. */
  let heard = 0

  const saveState = computed(() =>
    saveTrouble.value ? 'failed' : waiting.value.length > 0 ? 'saving' : 'saved',
  )

  /** Gives an edit up that was refused: it cannot be taken back any more, for it was never made. */
  function lose(change: Change): void {
    done.value = done.value.filter((step) => step.change !== change)
    lost.value = change
  }

  /** Applies the waiting edits on what the server has; those that make no sense any more are told and dropped. */
  function rebase(): void {
    let next = confirmed!
    const kept = []
    for (const edit of waiting.value) {
      try {
        next = applyChange(next, edit.change).site
        kept.push(edit)
      } catch (error) {
        if (!(error instanceof ChangeRefused)) throw error
        lose(edit.change)
        notice.value = `An edit could not be kept, since the site was changed elsewhere: ${error.message}`
      }
    }
    waiting.value = kept
    show(next)
  }

  /** Shows a site that did not come from the last one by a change made here. */
  function show(next: Site): void {
    site.value = next
    ripple.reset(next)
  }

  async function readConfirmed(): Promise<void> {
    const answer = await sitesApi.read(id.value)
    confirmed = fromSiteData(answer.site)
    revision = answer.revision
  }

  /** Opens a site: reads it anew and forgets the one before. */
  async function open(siteId: string): Promise<void> {
    id.value = siteId
    site.value = undefined
    trouble.value = saveTrouble.value = notice.value = lastWords.value = ''
    waiting.value = []
    done.value = undone.value = []
    stopHearing()
    try {
      await readConfirmed()
      if (id.value !== siteId) return
      show(confirmed!)
      hear()
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      trouble.value = error.message
    }
  }

  /** Hears of changes that other windows make, as long as the site is shown. */
  function hear(): void {
    if (hearing || !id.value) return
    heard = 0
    hearing = sitesApi.hear(id.value, {
      revision(newest) {
        heard = Math.max(heard, newest)
        void catchUp()
      },
      window: windows.hear,
      opened: windows.ask,
    })
  }

  function stopHearing(): void {
    hearing?.()
    hearing = undefined
  }

  /** Takes in what other windows changed. While an edit of ours is on its way, its answer brings that along. */
  async function catchUp(): Promise<void> {
    if (heard <= revision || posting) return
    const hearingFor = id.value
    try {
      const { changes } = await sitesApi.changesAfter(hearingFor, revision)
      if (id.value !== hearingFor || posting) return
      const news = changes.filter((change) => change.revision > revision)
      if (news.length === 0) return
      for (const { change } of news) confirmed = applyChange(confirmed!, change).site
      revision = news.at(-1)!.revision
      rebase()
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      if (error.status === 404) {
        site.value = undefined
        trouble.value = error.message
      }
    }
  }

  async function postFirst(): Promise<void> {
    const edit = waiting.value[0]!
    const saved = await sitesApi.save(id.value, { ...edit, base: revision })
    const rest = waiting.value.slice(1)
    for (const { change } of saved.missed) confirmed = applyChange(confirmed!, change).site
    confirmed = applyChange(confirmed!, edit.change).site
    revision = saved.revision
    waiting.value = rest
    if (saved.missed.length > 0) rebase()
  }

  /** Posts what waits, one after the other; while the server cannot save, tries again and again. */
  async function post(): Promise<void> {
    if (posting) return
    posting = true
    const postingFor = id.value
    let pause = RETRY_FIRST_MS
    while (waiting.value.length > 0 && id.value === postingFor) {
      try {
        await postFirst()
        saveTrouble.value = ''
        pause = RETRY_FIRST_MS
      } catch (error) {
        if (!(error instanceof Refusal)) throw error
        if (error.isPassing) {
          saveTrouble.value = error.message
          await wait(pause)
          pause = Math.min(pause * 2, RETRY_LAST_MS)
        } else await dropRefused(error)
      }
    }
    posting = false
    if (waiting.value.length > 0) void post()
    else void catchUp()
  }

  async function dropRefused(error: Refusal): Promise<void> {
    lose(waiting.value[0]!.change)
    notice.value = `An edit could not be kept: ${error.message}`
    waiting.value = waiting.value.slice(1)
    try {
      await readConfirmed()
      rebase()
    } catch (again) {
      if (!(again instanceof Refusal)) throw again
      if (!again.isPassing) {
        waiting.value = []
        site.value = undefined
        trouble.value = again.message
      }
    }
  }

  /** Waits for edits that are on their way. @returns whether all are saved now; not while saving fails */
  async function settle(): Promise<boolean> {
    if (saveState.value === 'saving') {
      await new Promise<void>((resolve) => {
        const stop = watch(saveState, () => {
          stop()
          resolve()
        })
      })
    }
    return saveState.value === 'saved'
  }

  /** The last change that was tried out: an author who is asked about a change mostly makes it then. */
  let tried: { change: Change; on: Site; outcome: Tried | string } | undefined

  function tryAnew(change: Change, on: Site): Tried | string {
    const checked = v.safeParse(changeSchema, change)
    if (!checked.success) return checked.issues[0].message
    try {
      return { change: checked.output, ...applyChange(on, checked.output) }
    } catch (error) {
      if (error instanceof ChangeRefused) return error.message
      throw error
    }
  }

  /** What a change would make of the site, without making it; or why it is refused, in words for the author. */
  function tryOut(change: Change): Tried | string {
    const on = site.value!
    if (tried?.change !== change || tried.on !== on) tried = { change, on, outcome: tryAnew(change, on) }
    return tried.outcome
  }

  /** Shows what a change made of the site and puts it in line to be saved. */
  function perform({ change, site: after, inverse }: Tried, goesOn: boolean): Step {
    const before = site.value!
    site.value = after
    void ripple.follow(change, goesOn)
    waiting.value = [...waiting.value, { id: crypto.randomUUID(), change }]
    void post()
    return { words: changeWords(before, change), change, inverse, at: Date.now() }
  }

  /** Makes a change. @returns why it was refused, in words for the author; undefined when it was made */
  function make(change: Change): string | undefined {
    const outcome = tryOut(change)
    if (typeof outcome === 'string') return outcome
    const last = done.value.at(-1)
    const goesOn =
      last !== undefined && setSameField(last.change, outcome.change) && Date.now() - last.at < SAME_STEP_MS
    const step = perform(outcome, goesOn)
    done.value = goesOn
      ? [...done.value.slice(0, -1), { ...step, inverse: last.inverse }]
      : [...done.value, step]
    undone.value = []
    lastWords.value = step.words
    return undefined
  }

  /** As make, for changes without a field beside which the reason could stand. */
  function makeOrTell(change: Change): boolean {
    const refused = make(change)
    notice.value = refused ?? ''
    return refused === undefined
  }

  function takeBack(from: typeof done, to: typeof done, words: string): void {
    const step = from.value.at(-1)
    if (!step) return
    from.value = from.value.slice(0, -1)
    const told = `${words}: ${step.words}`
    // A batch carries the words that the history tells it by.
    const outcome = tryOut({
      kind: 'batch',
      words: told.slice(0, 500),
      changes: [...singlesOf(step.inverse)],
    })
    if (typeof outcome === 'string') {
      notice.value = `This can no longer be taken back: ${outcome}`
      return
    }
    const back = perform(outcome, false)
    to.value = [...to.value, { ...back, words: step.words }]
    lastWords.value = told
    notice.value = ''
  }

  const undo = () => takeBack(done, undone, 'Taken back')
  const redo = () => takeBack(undone, done, 'Done again')

  return {
    id,
    site,
    trouble,
    saveState,
    saveTrouble,
    notice,
    lost,
    done,
    undone,
    lastWords,
    open,
    hear,
    stopHearing,
    make,
    makeOrTell,
    tryOut,
    settle,
    undo,
    redo,
  }
})
