import { setImmediate as immediate } from 'node:timers/promises'
import type { Applied } from '@viatica/core/plan/change/apply.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { differenceOf } from '@viatica/core/plan/change/restore.ts'
import { applySoundly } from '@viatica/core/plan/change/sound.ts'
import { goneList } from '@viatica/core/plan/gone.ts'
import type { Edit } from '@viatica/core/protocol/editRequests.ts'
import type { ChangesAnswer, SavedAnswer } from '@viatica/core/protocol/edits.ts'
import type { Knex } from 'knex'
import pLimit, { type LimitFunction } from 'p-limit'
import { announcement, CHANNEL } from './announcements.ts'
import { appendChange, changesBetween, editsMade, isEditOf, revisionOfEdit } from './changeLog.ts'
import { type FileCheck, saveDifference } from './difference.ts'
import type { Disk } from './disk.ts'
import { Overtaken, UnknownBase } from './faults.ts'
import { pointIn } from './history.ts'
import type { LogReader } from './readLogged.ts'
import type { Revised, Revisions } from './revisions.ts'

/** A site with a change made. @throws ChangeRefused, or Overtaken when it was made on an older revision */
function applied(before: Revised, base: number, change: Change): Applied {
  try {
    return applySoundly(before.site, change)
  } catch (error) {
    if (error instanceof ChangeRefused && base < before.revision)
      throw new Overtaken(error.message, { cause: error })
    throw error
  }
}

/** Makes edits, each as one transaction: it is stored whole, or not at all. */
export class Edits {
  readonly #database: Knex
  readonly #check: FileCheck
  readonly #readLogged: LogReader
  readonly #revisions: Revisions
  readonly #disk: Disk
  readonly #turns = new Map<string, LimitFunction>()

  /** @param check throws when the bytes of a file are not what its name says */
  constructor(database: Knex, check: FileCheck, readLogged: LogReader, revisions: Revisions, disk: Disk) {
    this.#database = database
    this.#check = check
    this.#readLogged = readLogged
    this.#revisions = revisions
    this.#disk = disk
  }

  /**
   * Makes an edit on the newest revision, whichever it was made on, and stores it with its inverse.
   * @throws UnknownSite; UnknownBase for a revision that is yet to come; ChangeRefused when it makes no sense on the
   * revision that its author saw, Overtaken when somebody was faster. Nothing is stored then
   */
  async change(id: string, edit: Edit): Promise<SavedAnswer> {
    return this.#store(id, edit, () => edit.change)
  }

  /**
   * Makes a site again what it was at an earlier revision, as one edit. @param words what it does, for people
   * @returns also the change; undefined where nothing was different. @throws UnknownSite, UnknownPoint
   */
  async restore(
    id: string,
    edit: Omit<Edit, 'change'>,
    to: number,
    words: string,
  ): Promise<SavedAnswer & { change: Change | undefined }> {
    let change: Change | undefined
    const stored = await this.#store(id, edit, async (trx, newest) => {
      const single = differenceOf(newest.site, await pointIn(trx, id, newest, to, this.#readLogged))
      return (change = single && { kind: 'batch', words, changes: [single] })
    })
    return { ...stored, change }
  }

  async #store(
    id: string,
    edit: Omit<Edit, 'change'>,
    changeOn: (trx: Knex.Transaction, newest: Revised) => Promise<Change | undefined> | Change | undefined,
  ): Promise<SavedAnswer> {
    return this.#inTurn(id, async () => {
      const { stored, after } = await this.#database.transaction(async (trx) => {
        const before = await this.#revisions.readIn(trx, id, true)
        if (edit.base > before.revision) throw new UnknownBase(`The site is at revision ${before.revision}.`)
        const made = await revisionOfEdit(trx, id, edit.id)
        if (made !== undefined) return { stored: await this.#storedIn(trx, id, edit, made) }
        const change = await changeOn(trx, before)
        if (!change) return { stored: await this.#storedIn(trx, id, edit, before.revision, true) }
        const after = await this.#saveIn(trx, id, before, edit, change)
        return { stored: await this.#storedIn(trx, id, edit, after.revision), after }
      })
      if (after) this.#revisions.remember(id, after)
      return stored
    })
  }

  /** Writes what a change makes of a site. @throws ChangeRefused, Overtaken */
  async #saveIn(
    trx: Knex.Transaction,
    id: string,
    before: Revised,
    edit: Omit<Edit, 'change'>,
    change: Change,
  ): Promise<Revised> {
    // Between the parts of a large edit others get their turn.
    await immediate()
    const { site, inverse } = applied(before, edit.base, change)
    const revision = before.revision + 1
    await immediate()
    // The database takes in the log while what is different is found out here.
    await Promise.all([
      appendChange(trx, id, { before: before.site, after: site, revision, edit, change, inverse }),
      saveDifference(trx, id, before.site, site, this.#check),
    ])
    await trx('sites')
      .where({ id })
      .update({
        ...(site.settings === before.site.settings ? {} : { settings: JSON.stringify(site.settings) }),
        ...(site.surround === before.site.surround ? {} : { surround: JSON.stringify(site.surround) }),
        ...(site.gone === before.site.gone ? {} : { gone: JSON.stringify(goneList(site.gone)) }),
        revision,
        stamp: edit.id,
        changed_at: trx.fn.now(),
      })
    // Heard by every server process when, and only when, the transaction holds.
    await trx.raw('select pg_notify(?, ?)', [CHANNEL, announcement(id, revision)])
    return { site, revision, stamp: edit.id }
  }

  /** The changes that the author of an edit has missed. @param isWhole whether the last revision is not theirs */
  async #storedIn(
    trx: Knex.Transaction,
    id: string,
    { base, stamp }: Omit<Edit, 'change'>,
    revision: number,
    isWhole = false,
  ): Promise<SavedAnswer> {
    // The same number of another history, as after a backup was brought back.
    const isOther = stamp !== undefined && !(await isEditOf(trx, id, base, stamp))
    if (isOther) return { revision, missed: null }
    return {
      revision,
      missed:
        (await changesBetween(trx, id, base, isWhole ? revision + 1 : revision, this.#readLogged)) ?? null,
    }
  }

  /** Lets the edits of one site wait for each other here, so that a site that is held up takes one connection. */
  async #inTurn<Result>(id: string, work: () => Promise<Result>): Promise<Result> {
    const turn = this.#turns.get(id) ?? pLimit(1)
    this.#turns.set(id, turn)
    try {
      return await turn(() => this.#disk.writing(work))
    } finally {
      if (turn.activeCount + turn.pendingCount === 0) this.#turns.delete(id)
    }
  }

  /**
   * The changes that brought a site from one revision to its newest, and which that is; null where it is less to read
   * the site anew. @throws UnknownSite
   */
  async changesAfter(id: string, after: number): Promise<ChangesAnswer> {
    return this.#revisions.reading(async (trx) => {
      const { revision } = await this.#revisions.readIn(trx, id)
      const changes =
        after > revision ? undefined : await changesBetween(trx, id, after, revision + 1, this.#readLogged)
      return { revision, changes: changes ?? null }
    })
  }

  /** Which of some edits were made on a site, and the revisions they made. @throws UnknownSite */
  async editsMade(id: string, edits: readonly string[]): Promise<{ id: string; revision: number }[]> {
    return this.#revisions.reading(async (trx) => {
      await this.#revisions.readIn(trx, id)
      return editsMade(trx, id, edits)
    })
  }
}
