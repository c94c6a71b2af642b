import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import type { MadeChange, SavedAnswer } from '@viatica/core/protocol/edits.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { fromSiteData } from '@viatica/core/plan/siteData.ts'
import { Refusal } from '../api/request.ts'
import type { EditQueue, Waiting } from './editQueue.ts'
import type { Hearing, SiteServer } from './server.ts'

const RETRY_FIRST_MS = 1000
const RETRY_LAST_MS = 10_000
/** An edit that the server fails on so often is set apart. */
const MOST_FAILURES = 3
export const OWN_ERROR = 'Viatica met an error of its own.'

export const wordsOfError = (error: unknown): string => (error instanceof Refusal ? error.message : OWN_ERROR)

/** Whether the server fails on the edit itself, rather than being out of reach or out of room. */
function isPoisoned(error: unknown): boolean {
  return !(error instanceof Refusal) || (error.status >= 500 && ![502, 503, 504, 507].includes(error.status))
}

const later = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

/** What the talk with the server tells, and asks, the exchange that it is of. */
export interface TalkHost {
  /** Whether the exchange has ended: nothing is said to the server, or taken in, any more. */
  readonly isOver: boolean
  /** Whether nobody needs the server any more: the site was left, and nothing waits. */
  readonly isDone: boolean
  readonly saveTrouble: string
  /** Something that is shown may have changed. */
  changed(): void
  /** Why saving fails; empty when it does no more. */
  fails(saveTrouble: string): void
  /** What is confirmed has changed: the waiting edits are to be made on it. */
  rebases(): void
  /** The site was read anew. */
  read(): void
  /** Called with a site that was read and is about to be shown, and waited for. */
  prepares(site: Site): Promise<void>
  /** Edits that are in line no more, since the server has them. */
  saved(ids: readonly string[]): void
  /** A change of another window was made. */
  replaces(before: Site, after: Site): void
  /** The server does not make an edit, which is in line no more. */
  refuses(edit: Waiting, reason: string): void
  /** The site is no longer there. */
  gone(trouble: string): void
}

/**
 * Talks with the server about one site: posts the edits that wait and takes in what others did, one after the other, until
 * there is nothing left to do. What fails in passing is tried again, ever more slowly.
 */
export class ServerTalk {
  readonly #server: SiteServer
  readonly #queue: EditQueue
  readonly #host: TalkHost
  readonly #wait: (ms: number) => Promise<unknown>
  /** Whether what is confirmed is to be read anew before anything else. */
  #isStale = false
  /** The newest revision that was heard of. */
  #heard: number | undefined
  #isRunning = false
  #reading: Promise<void> | undefined
  #stopHearing: (() => void) | undefined
  /** How often the server failed on an edit, by its id. */
  readonly #failures = new Map<string, number>()

  constructor(
    server: SiteServer,
    queue: EditQueue,
    host: TalkHost,
    wait = later as (ms: number) => Promise<unknown>,
  ) {
    this.#server = server
    this.#queue = queue
    this.#host = host
    this.#wait = wait
  }

  get isRunning(): boolean {
    return this.#isRunning
  }

  /** Hears of others from now on, until `stopHearing`. */
  hear(hearing: Omit<Hearing, 'revision'>): void {
    this.#stopHearing ??= this.#server.hear({
      ...hearing,
      revision: (newest) => {
        this.#heard = newest
        this.run()
      },
    })
  }

  stopHearing(): void {
    this.#stopHearing?.()
    this.#stopHearing = undefined
  }

  /** Reads the site anew before anything else is said. */
  runAnew(): void {
    this.#isStale = true
    this.run()
  }

  run(): void {
    if (this.#isRunning || this.#host.isOver) return
    this.#isRunning = true
    void this.#loop()
  }

  async #loop(): Promise<void> {
    let pause = RETRY_FIRST_MS
    try {
      while (!this.#host.isOver) {
        const first = this.#queue.edits[0]
        if (!first && !this.#isStale && (this.#heard ?? this.#queue.revision) === this.#queue.revision) return
        if (this.#host.isDone) return
        try {
          if (this.#isStale) await this.readAnew()
          else if (first) await this.#post(first)
          else await this.#catchUp()
          pause = RETRY_FIRST_MS
          if (this.#host.saveTrouble !== '') this.#host.fails('')
        } catch (error) {
          if (this.#host.isOver) return
          if (this.#isDealtWith(error, this.#isStale ? undefined : first)) continue
          this.#host.fails(wordsOfError(error))
          await this.#wait(pause)
          pause = Math.min(pause * 2, RETRY_LAST_MS)
        }
      }
    } finally {
      this.#isRunning = false
      this.#host.changed()
    }
  }

  /** Deals with an error that trying again would not fix. @returns whether it is one */
  #isDealtWith(error: unknown, edit: Waiting | undefined): boolean {
    if (error instanceof Refusal && error.status === 404 && edit?.restores === undefined) {
      this.#host.gone(error.message)
      return true
    }
    if (!edit) return false
    if (error instanceof Refusal && !error.isPassing) {
      this.#refuse(edit, error.message)
      return true
    }
    if (!isPoisoned(error)) return false
    const failures = (this.#failures.get(edit.id) ?? 0) + 1
    this.#failures.set(edit.id, failures)
    if (failures < MOST_FAILURES) return false
    this.#refuse(edit, wordsOfError(error))
    return true
  }

  /** Takes an edit out of line that the server does not make; the rest goes on without it. */
  #refuse(edit: Waiting, reason: string): void {
    this.#queue.remove(new Set([edit.id]))
    this.#failures.delete(edit.id)
    this.#isStale = true
    this.#host.refuses(edit, reason)
  }

  async #post({ id, change, continues, restores, words, step }: Waiting): Promise<void> {
    this.#queue.send(id)
    const { revision: base, stamp } = this.#queue.confirmed!
    const sent = { id, base, ...(stamp === null ? {} : { stamp }) }
    if (restores !== undefined) {
      const { change: made, ...saved } = await this.#server.restore({ ...sent, words }, restores)
      if (!this.#host.isOver) this.#confirm({ id, restores, step }, saved, made)
    } else {
      const saved = await this.#server.save({
        ...sent,
        ...(continues === undefined ? {} : { continues }),
        change,
      })
      if (!this.#host.isOver) this.#confirm({ id, restores, step }, saved, change)
    }
  }

  /** Takes in that the server made an edit, after what others did. @param change what it made of it, where it says */
  #confirm(
    { id, restores, step }: { id: string; restores: number | undefined; step: Waiting['step'] },
    { revision, missed }: SavedAnswer,
    change: Change | undefined,
  ): void {
    this.#failures.delete(id)
    // It was made before what is confirmed was read.
    if (revision <= this.#queue.revision && missed !== null) {
      this.#unqueue(id)
      return this.#host.rebases()
    }
    if (missed === null || !change) {
      this.#unqueue(id)
      this.#isStale = true
      return this.#host.changed()
    }
    try {
      for (const one of missed) if (one.revision > this.#queue.revision) this.#takeIn(one)
      const applied = this.#takeIn({ id, change })
      this.#queue.reach(revision)
      if (missed.length === 0 && restores === undefined) return this.#host.changed()
      step?.settle(id, applied)
      this.#host.rebases()
    } catch (error) {
      this.#distrust(error)
    }
  }

  #takeIn(made: Pick<MadeChange, 'id' | 'change'>) {
    const { applied, ours, before } = this.#queue.takeIn(made)
    if (ours) this.#host.saved([ours.id])
    else this.#host.replaces(before, applied.site)
    return applied
  }

  #unqueue(id: string): void {
    this.#queue.remove(new Set([id]))
    this.#host.saved([id])
  }

  /** Takes in what other windows changed. */
  async #catchUp(): Promise<void> {
    const heard = this.#heard
    const { revision, changes } = await this.#server.changesAfter(this.#queue.revision)
    if (this.#host.isOver) return
    // What was heard meanwhile may be newer than the answer.
    if (this.#heard === heard) this.#heard = undefined
    if (changes === null) this.#isStale = true
    else if (changes.length > 0) {
      try {
        for (const one of changes) if (one.revision > this.#queue.revision) this.#takeIn(one)
        this.#queue.reach(revision)
        this.#host.rebases()
      } catch (error) {
        this.#distrust(error)
      }
    }
  }

  /** What was made there cannot be made here: what is confirmed is not what the server has. */
  #distrust(error: unknown): void {
    this.#isStale = true
    if (!(error instanceof ChangeRefused)) throw error
    this.#host.changed()
  }

  /** Reads the site, and which of the edits that were sent it has. */
  readAnew(): Promise<void> {
    this.#reading ??= this.#read().finally(() => (this.#reading = undefined))
    return this.#reading
  }

  async #read(): Promise<void> {
    const answer = await this.#server.read()
    const sent = this.#queue.edits.filter(({ isSent }) => isSent).map(({ id }) => id)
    const made = sent.length === 0 ? [] : await this.#server.editsMade(sent)
    const site = fromSiteData(answer.site)
    await this.#host.prepares(site)
    if (this.#host.isOver) return
    this.#queue.begin({ site, revision: answer.revision, stamp: answer.stamp })
    this.#isStale = false
    const there = new Set(made.flatMap(({ id, revision }) => (revision <= answer.revision ? [id] : [])))
    this.#queue.remove(there)
    if (there.size > 0) this.#host.saved([...there])
    this.#host.rebases()
    this.#host.read()
  }
}
