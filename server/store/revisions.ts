import { setImmediate as immediate } from 'node:timers/promises'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import type { Entry } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { type Gone, goneByPointer } from '@viatica/core/plan/gone.ts'
import type { Plan } from '@viatica/core/plan/plan.ts'
import { DEFAULT_SETTINGS, type Settings, type Site } from '@viatica/core/plan/site.ts'
import type { Surround } from '@viatica/core/plan/surround/surround.ts'
import type { Knex } from 'knex'
import { changesBetween, isEditOf } from './changeLog.ts'
import { UnknownSite } from './faults.ts'
import type { LogReader } from './readLogged.ts'
import { type EntryRow, entryOfRow, type FileRow, fileOfRow, ROWS_BETWEEN } from './rows.ts'

/** A site as it is after a number of changes. */
export interface Revised {
  readonly site: Site
  readonly revision: number
  /** The id of the edit that made this revision; null for a site as it was made. */
  readonly stamp: string | null
}

/** Sites are read often and change rarely: the newest revisions of the last few stay in memory. */
const REMEMBERED = 16
/** So many entries these have together at most, but for the newest: some kilobytes each. */
const REMEMBERED_ENTRIES = 20_000
/** A site that missed more changes is read anew. */
const MOST_CAUGHT_UP = 100

async function planOfRows(rows: readonly EntryRow[], home: EntryId): Promise<Plan> {
  const parents = new Map<EntryId, EntryId>()
  const children = new Map<EntryId, EntryId[]>()
  const entries = new Map<EntryId, Entry>()
  for (const [at, row] of rows.entries()) {
    if ((at + 1) % ROWS_BETWEEN === 0) await immediate()
    const { id, parent_id } = row
    entries.set(id, entryOfRow(row))
    if (parent_id === null) continue
    parents.set(id, parent_id)
    const siblings = children.get(parent_id)
    if (siblings) siblings.push(id)
    else children.set(parent_id, [id])
  }
  return { home, parents, children, entries }
}

/** Reads sites, each at its newest revision, and remembers those that were read last. */
export class Revisions {
  readonly #database: Knex
  readonly #readLogged: LogReader
  readonly #remembered = new Map<string, Revised>()

  constructor(database: Knex, readLogged: LogReader) {
    this.#database = database
    this.#readLogged = readLogged
  }

  /** A site at its newest revision. @throws UnknownSite */
  async read(id: string): Promise<Revised> {
    return this.reading((trx) => this.readIn(trx, id))
  }

  /** Reads what belongs together as it was at one moment. */
  async reading<Result>(read: (trx: Knex.Transaction) => Promise<Result>): Promise<Result> {
    return this.#database.transaction(read, { isolationLevel: 'repeatable read', readOnly: true })
  }

  /** A site at its newest revision. @param forChange whether nobody else may change it in the meantime @throws UnknownSite */
  async readIn(trx: Knex.Transaction, id: string, forChange = false): Promise<Revised> {
    const query = trx<{
      id: string
      home_id: string
      settings: Settings
      surround: Surround
      gone: Gone[]
      revision: number
      stamp: string | null
    }>('sites').where({ id })
    const row = await (forChange ? query.forUpdate().first() : query.first())
    if (!row) throw new UnknownSite(`There is no site ${id}.`)
    const known = this.#remembered.get(id)
    if (known?.revision === row.revision && known.stamp === row.stamp) return known
    const caughtUp = known && !forChange ? await this.#catchUp(trx, id, known, row) : undefined
    if (caughtUp) {
      this.remember(id, caughtUp)
      return caughtUp
    }
    const entries = await trx<EntryRow>('entries').where('site_id', id).orderBy('place')
    const files = await trx<FileRow>('files').where('site_id', id).orderBy('id')
    const site: Site = {
      // Settings that came with a later version are as new sites have them.
      settings: { ...DEFAULT_SETTINGS, ...row.settings },
      surround: row.surround,
      files: new Map(files.map((row) => [row.id, fileOfRow(row)])),
      plan: await planOfRows(entries, row.home_id),
      gone: goneByPointer(row.gone),
    }
    const revised = { site, revision: row.revision, stamp: row.stamp }
    this.remember(id, revised)
    return revised
  }

  /** A site that is remembered, with the changes that it missed; undefined where it is to be read anew. */
  async #catchUp(
    trx: Knex.Transaction,
    id: string,
    known: Revised,
    { revision, stamp }: Omit<Revised, 'site'>,
  ): Promise<Revised | undefined> {
    if (known.revision >= revision || revision - known.revision > MOST_CAUGHT_UP) return undefined
    // The same number of another history, as after a backup was brought back.
    if (known.stamp !== null && !(await isEditOf(trx, id, known.revision, known.stamp))) return undefined
    const missed = await changesBetween(trx, id, known.revision, revision + 1, this.#readLogged)
    if (!missed) return undefined
    try {
      const site = missed.reduce((now, { change }) => applyChange(now, change).site, known.site)
      return { site, revision, stamp }
    } catch (error) {
      if (error instanceof ChangeRefused) return undefined
      throw error
    }
  }

  /** Remembers a site as it is now. */
  remember(id: string, revised: Revised): void {
    this.#remembered.delete(id)
    this.#remembered.set(id, revised)
    let entries = 0
    // The newest comes last.
    for (const [at, [known, { site }]] of [...this.#remembered].toReversed().entries()) {
      entries += site.plan.entries.size
      if (at > 0 && (at >= REMEMBERED || entries > REMEMBERED_ENTRIES)) this.#remembered.delete(known)
    }
  }

  /** Forgets a site that was removed. */
  forget(id: string): void {
    this.#remembered.delete(id)
  }
}
