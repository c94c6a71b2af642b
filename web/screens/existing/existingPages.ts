import type { Correction } from '@viatica/core/existing/corrections.ts'
import type { Difference, Overview } from '@viatica/core/existing/overview.ts'
import { proxy, type Remote, wrap } from 'comlink'
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { sitesApi } from '../../api/sites.ts'
import { Refusal } from '../../api/request.ts'
import { WRONG } from '../../parts/pages/steps.ts'
import type { BringWork, Picked, Progress, Taken } from '../../workers/bringWorker.ts'

/** What can be seen of pages, to be compared. */
const seenOf = ({ pages, patterns, differences, report }: Overview) =>
  JSON.stringify([pages, patterns, differences, report.templates, report.menus])

/** What a difference is known by when the pages are worked out anew: its number changes then. */
const keyOf = ({ path, now, would }: Difference) => `${path}\n${now}\n${would}`

/** A folder of existing pages on its way in: read, worked out, corrected and decided, in a worker of its own. */
export function useExistingPages() {
  let worker: Worker | undefined
  let work: Remote<BringWork> | undefined
  let storing: AbortController | undefined
  /** Counts what was begun to be worked out: what was stopped meanwhile is not shown. */
  let runs = 0

  const progress = shallowRef<Progress | { readonly step: 'store' }>()
  const trouble = ref('')
  /** What is to be told, and is no trouble. */
  const notice = ref('')
  const overview = shallowRef<Overview>()
  const corrections = shallowRef<readonly Correction[]>([])
  /** The differences that are brought into line, by their keys. */
  const inLine = shallowRef<ReadonlySet<string>>(new Set())

  /** Ends what is going on, whatever it is. What was seen before stays. */
  function stop(): void {
    storing?.abort()
    if (progress.value?.step === 'store') return
    if (!overview.value) end()
    else {
      runs++
      // The worker is at it still: after that it goes back to what is seen.
      void work?.workOut(
        corrections.value,
        proxy(() => undefined),
      )
    }
    progress.value = undefined
  }

  function end(): void {
    worker?.terminate()
    worker = work = undefined
    overview.value = undefined
    corrections.value = []
    inLine.value = new Set()
  }

  const tell = proxy((now: Progress) => {
    if (progress.value !== undefined) progress.value = now
  })

  /** Something that should not be: it is told, and what was seen before stays. */
  function fail(mine: typeof work, error: unknown): never {
    if (mine === work) {
      progress.value = undefined
      trouble.value = WRONG
    }
    throw error
  }

  async function workOut(now: readonly Correction[]): Promise<void> {
    const mine = work!
    const run = ++runs
    progress.value = { step: 'pages' }
    const seen = await mine.workOut(now, tell).catch((error: unknown) => fail(mine, error))
    if (mine !== work || run !== runs) return
    progress.value = undefined
    if (typeof seen === 'string') trouble.value = seen
    else {
      // What changes nothing is not kept among what its author said.
      const isMore = overview.value !== undefined && now.length > corrections.value.length
      const isIdle = isMore && seenOf(seen) === seenOf(overview.value!)
      notice.value = isIdle ? 'That changes nothing: the pages are understood so already.' : ''
      overview.value = seen
      if (!isIdle) corrections.value = now
    }
  }

  /** Reads what was picked and works it out. */
  async function start(picked: Picked): Promise<void> {
    end()
    trouble.value = notice.value = ''
    worker = new Worker(new URL('../../workers/bringWorker.ts', import.meta.url), { type: 'module' })
    const mine = (work = wrap<BringWork>(worker))
    progress.value = { step: 'read', done: 0, total: 1 }
    const refusal = await mine.read(picked, tell).catch((error: unknown) => fail(mine, error))
    if (mine !== work) return
    if (refusal === undefined) await workOut([])
    else {
      trouble.value = refusal
      end()
      progress.value = undefined
    }
  }

  /** Works the pages out anew with one more correction. */
  const correct = (correction: Correction) => workOut([...corrections.value, correction])
  const takeBack = (at: number) => workOut(corrections.value.filter((_, n) => n !== at))

  const isInLine = (difference: Difference) => inLine.value.has(keyOf(difference))

  /** Brings differences into line, or keeps them on their pages. */
  function decide(differences: readonly Difference[], isLine: boolean): void {
    const now = new Set(inLine.value)
    for (const difference of differences) {
      if (difference.choice === undefined) continue
      if (isLine) now.add(keyOf(difference))
      else now.delete(keyOf(difference))
    }
    inLine.value = now
  }

  /** The numbers of what is brought into line. */
  const chosen = computed(() =>
    (overview.value?.differences ?? []).flatMap((one) =>
      one.choice !== undefined && isInLine(one) ? [one.choice] : [],
    ),
  )

  /** Stores the pages as a site. @returns its id; undefined where it was refused or stopped */
  async function store(name: string, taken: Taken): Promise<string | undefined> {
    trouble.value = ''
    progress.value = { step: 'store' }
    storing = new AbortController()
    const { signal } = storing
    try {
      const file = await work!.siteFile(name, chosen.value, taken)
      if (typeof file === 'string') trouble.value = file
      else if (!signal.aborted) return (await sitesApi.createFromSiteFile(file.file, signal)).id
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      if (!signal.aborted) trouble.value = error.message
    } finally {
      progress.value = undefined
    }
    return undefined
  }

  onScopeDispose(() => {
    storing?.abort()
    worker?.terminate()
  })

  return {
    ...{ progress, trouble, notice, overview, corrections, chosen },
    ...{ start, stop, end, correct, takeBack, isInLine, decide, store },
    draw: (path: string) => work!.draw(path),
    elements: (path: string) => work!.elements(path),
  }
}

export type ExistingPages = ReturnType<typeof useExistingPages>
