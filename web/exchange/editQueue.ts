import { lastOf } from '@viatica/core/standard/present.ts'
import { type Applied, applyChange } from '@viatica/core/plan/change/apply.ts'
import type { Change, SingleChange } from '@viatica/core/plan/change/change.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { applySoundly } from '@viatica/core/plan/change/sound.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import type { MadeChange } from '@viatica/core/protocol/edits.ts'
import type { Step } from './step.ts'

/** An edit in line. */
export interface Waiting {
  readonly id: string
  readonly order: number
  readonly words: string
  readonly change: Change
  readonly continues?: string
  readonly restores?: number
  readonly step?: Step
  /** Of an edit that undoes or redoes: where its step was. */
  readonly takesBack?: { readonly step: Step; readonly from: 'done' | 'undone' }
  /** Whether it may have reached the server. */
  readonly isSent: boolean
}

/** A site as the server has it. */
export interface Confirmed {
  readonly site: Site
  readonly revision: number
  /** The id of the edit that made this revision; null for a site as it was made. */
  readonly stamp: string | null
}

/** What came of making the waiting edits on what the server has. */
export interface Rebased {
  readonly site: Site
  /** Those that make no sense any more, in their order, and why. They are in line no more. */
  readonly lost: readonly { readonly edit: Waiting; readonly reason: string }[]
}

/**
 * The edits that the server has not confirmed, in their order, and the site as it has confirmed it. Changes of others are
 * made on what is confirmed; the waiting edits are then made on that once more. It asks nobody: who owns it says what the
 * server answered.
 */
export class EditQueue {
  #confirmed: Confirmed | undefined
  #edits: readonly Waiting[] = []

  get confirmed(): Confirmed | undefined {
    return this.#confirmed
  }

  get revision(): number {
    return this.#confirmed?.revision ?? 0
  }

  get edits(): readonly Waiting[] {
    return this.#edits
  }

  get length(): number {
    return this.#edits.length
  }

  /** Puts an edit at the end of the line. */
  add(edit: Waiting): void {
    this.#edits = [...this.#edits, edit]
  }

  /** Whether the last in line has an id and was not sent, so that a longer one may take its place. */
  isLastUnsent(id: string): boolean {
    const last = this.#edits.at(-1)
    return last?.id === id && !last.isSent
  }

  /**
   * Puts a longer edit of the same field in the place of the last one. It writes over what the first of them wrote over.
   * @returns the longer one, and the id of the one that is gone
   */
  lengthenLast({ id, words, change }: Pick<Waiting, 'id' | 'words' | 'change'>): {
    edit: Waiting
    instead: string
  } {
    const last = lastOf(this.#edits)
    const { over } = last.change as { over?: string }
    const { over: _, ...rest } = change as SingleChange & { over?: string }
    const longer = { ...rest, ...(over === undefined ? {} : { over }) } as SingleChange
    const edit: Waiting = { ...last, id, words, change: longer }
    this.#edits = [...this.#edits.slice(0, -1), edit]
    return { edit, instead: last.id }
  }

  /** Notes that an edit is on its way, from which on the server may have it. */
  send(id: string): void {
    this.#edits = this.#edits.map((edit) => (edit.id === id ? { ...edit, isSent: true } : edit))
  }

  remove(ids: ReadonlySet<string>): void {
    this.#edits = this.#edits.filter(({ id }) => !ids.has(id))
  }

  /** Takes in the site as it was read anew. */
  begin(confirmed: Confirmed): void {
    this.#confirmed = confirmed
  }

  /**
   * Makes a change of the server's on what is confirmed. An edit of ours in it waits no more.
   * @returns what came of it, the edit that it was where it is ours, and the site before
   * @throws ChangeRefused where what is confirmed is not what the server has
   */
  takeIn({ id, change }: Pick<MadeChange, 'id' | 'change'>): {
    applied: Applied
    ours: Waiting | undefined
    before: Site
  } {
    const { site: before, revision } = this.#confirmed!
    const applied = applyChange(before, change)
    this.#confirmed = { site: applied.site, revision, stamp: id }
    const ours = this.#edits.find((edit) => edit.id === id)
    this.remove(new Set([id]))
    return { applied, ours, before }
  }

  /** Notes the revision that what is confirmed has now. */
  reach(revision: number): void {
    this.#confirmed = { ...this.#confirmed!, revision }
  }

  /** Makes the waiting edits on what the server has; their steps learn what takes them back now. */
  rebase(): Rebased {
    let { site } = this.#confirmed!
    const lost: { edit: Waiting; reason: string }[] = []
    this.#edits = this.#edits.filter((edit) => {
      try {
        const applied = applySoundly(site, edit.change)
        site = applied.site
        edit.step?.settle(edit.id, applied)
        return true
      } catch (error) {
        if (!(error instanceof ChangeRefused)) throw error
        lost.push({ edit, reason: error.message })
        return false
      }
    })
    return { site, lost }
  }
}
