import type { Joining } from '@viatica/core/existing/join/branches.ts'
import { withKept } from '@viatica/core/plan/change/kept.ts'
import { rippleWords } from '@viatica/core/ripple/rippleWords.ts'
import { itemAt } from '@viatica/core/standard/present.ts'
import { useDebounceFn } from '@vueuse/core'
import { proxy, type Remote, wrap } from 'comlink'
import { onScopeDispose, ref, shallowRef, watch } from 'vue'
import { Refusal } from '../../../api/request.ts'
import { useOpenSite } from '../../../stores/openSite.ts'
import { type SentFile, sendFiles } from '../../pages/sendFiles.ts'
import { type Working, WRONG } from '../../pages/steps.ts'
import type { BringWork, JoinedFiles, Picked, Progress } from '../../../workers/bringWorker.ts'
import { siteWork } from '../../../workers/siteWork.ts'

const PAUSE_MS = 200

/** Existing pages on their way into the site that is open: read, and worked out in a worker of their own. */
export function useImporting(parent: string) {
  const openSite = useOpenSite()
  let worker: Worker | undefined
  let work: Remote<BringWork> | undefined
  let sending: AbortController | undefined
  /** Counts what was begun to be worked out: only the last is shown. */
  let runs = 0

  const progress = shallowRef<Working>()
  const trouble = ref('')
  const joined = shallowRef<JoinedFiles>()
  /** What the pages do to the site, in a line. */
  const ripple = ref('')
  const joining = ref<Joining>({ parent, isChosen: false, inMenu: true, inLine: false })
  /** Of the site; undefined until it is known where they likely stand. */
  const folder = ref<string>()

  /** Ends what is going on. */
  function stop(): void {
    sending?.abort()
    if (progress.value?.step !== 'send') {
      worker?.terminate()
      worker = work = undefined
      joined.value = undefined
    }
    progress.value = undefined
  }

  const tell = proxy((now: Progress) => {
    if (progress.value !== undefined) progress.value = now
  })

  /** Something that should not be: it is told, and the site stays as it is. */
  function fail(mine: typeof work, error: unknown): never {
    if (mine === work) {
      stop()
      trouble.value = WRONG
    }
    throw error
  }

  async function workOut(): Promise<void> {
    const mine = work
    if (!mine) return
    const run = ++runs
    progress.value = { step: 'pages' }
    const found = await mine
      .join(folder.value, { ...joining.value }, tell)
      .catch((error: unknown) => fail(mine, error))
    // What was chosen meanwhile is on its way.
    if (mine !== work || run !== runs) return
    progress.value = undefined
    trouble.value = typeof found === 'string' ? found : ''
    joined.value = typeof found === 'string' ? undefined : found
    ripple.value = ''
    if (typeof found === 'string') return
    const foreseen = await siteWork.foresee(found.change)
    if (found !== joined.value) return
    if (typeof foreseen === 'string') trouble.value = foreseen
    else ripple.value = rippleWords(foreseen.ripple)
  }

  /** Reads what was picked and works it out. */
  async function start(picked: Picked): Promise<void> {
    stop()
    trouble.value = ''
    folder.value = undefined
    worker = new Worker(new URL('../../../workers/bringWorker.ts', import.meta.url), { type: 'module' })
    const mine = (work = wrap<BringWork>(worker))
    progress.value = { step: 'read', done: 0, total: 1 }
    const refusal = await mine.read(picked, tell).catch((error: unknown) => fail(mine, error))
    if (mine !== work) return
    if (refusal !== undefined) {
      trouble.value = refusal
      stop()
      return
    }
    await mine.into(openSite.shown)
    await workOut()
  }

  /** What is typed is worked out a moment later. */
  const later = useDebounceFn(() => void workOut(), PAUSE_MS)
  watch(joining, () => void workOut(), { deep: true })

  function moveTo(next: string): void {
    folder.value = next
    void later()
  }

  /** Sends the files, and makes the change. @returns the id of the first page; undefined where it was stopped or refused */
  async function take(): Promise<string | undefined> {
    const { change, contents, pages } = joined.value!
    sending = new AbortController()
    const { signal } = sending
    const files = [...contents].map(([key, { path, bytes }]): SentFile => [
      key,
      { path, bytes: new Blob([bytes as Uint8Array<ArrayBuffer>]) },
    ])
    try {
      const kept = await sendFiles(files, signal, (now) => (progress.value = now))
      const refusal = openSite.make(withKept(change, kept))
      if (refusal === undefined) return itemAt(pages, 0).id
      trouble.value = refusal
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      if (!signal.aborted) trouble.value = error.message
    } finally {
      progress.value = undefined
    }
    return undefined
  }

  onScopeDispose(() => {
    sending?.abort()
    worker?.terminate()
  })

  return { progress, trouble, joined, ripple, joining, folder, start, stop, moveTo, take }
}
