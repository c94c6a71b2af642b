import { randomBytes } from 'node:crypto'
import { applyChange, singlesOf } from '@viatica/core/plan/change/apply.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { changeWords } from '@viatica/core/plan/change/words.ts'
import type { EntryId } from '@viatica/core/plan/entry.ts'
import type { SiteFile } from '@viatica/core/plan/file.ts'
import type { Plan } from '@viatica/core/plan/plan.ts'
import { DEFAULT_SETTINGS, type Settings, type Site } from '@viatica/core/plan/site.ts'
import { EMPTY_SURROUND, type Surround } from '@viatica/core/plan/surround/surround.ts'
import type { Knex } from 'knex'
import { announcement, CHANNEL, windowAnnouncement, type WindowAt, WINDOWS_CHANNEL } from './announcements.ts'
import { keepContent, readContent } from './contents.ts'
import { saveDifference } from './difference.ts'
import { type EntryRow, entryOfRow } from './rows.ts'

/** A site as it is after a number of changes. */
export interface Revised {
  readonly site: Site
  readonly revision: number
}

export interface SiteSummary {
  readonly id: string
  readonly name: string
  readonly pages: number
  readonly changedAt: string
}

export interface LoggedChange {
  readonly revision: number
  readonly change: Change
}

interface ChangeRow extends LoggedChange {
  readonly site_id: string
  readonly change_id: string
  readonly inverse: Change
  readonly words: string
  readonly made_at: Date
}

/** A change as the history tells it. */
export interface PastChange {
  readonly revision: number
  readonly words: string
  readonly madeAt: string
}

/** An edit as it was posted. */
export interface Edit {
  /** Chosen by who makes it: an edit that is posted twice is made once. */
  readonly id: string
  /** The revision it was made on. */
  readonly base: number
  readonly change: Change
}

export interface Stored {
  /** Of the site with the edit. */
  readonly revision: number
  /** The changes that others made since the base of the edit, oldest first. */
  readonly missed: readonly LoggedChange[]
}

/** Nothing is stored under this id, or not any more. */
export class UnknownSite extends Error {
  override name = 'UnknownSite'
}

/** Sites are read often and change rarely: the newest revisions of the last few stay in memory. */
const REMEMBERED = 16

function planOfRows(rows: readonly EntryRow[], home: EntryId): Plan {
  const parents = new Map<EntryId, EntryId>()
  const children = new Map<EntryId, EntryId[]>()
  for (const { id, parent_id } of rows) {
    if (parent_id === null) continue
    parents.set(id, parent_id)
    const siblings = children.get(parent_id)
    if (siblings) siblings.push(id)
    else children.set(parent_id, [id])
  }
  return { home, parents, children, entries: new Map(rows.map((row) => [row.id, entryOfRow(row)])) }
}

/** All that is kept of sites. Every write is one transaction: it is stored whole, or not at all. */
export class SiteStore {
  readonly #database: Knex
  readonly #remembered = new Map<string, Revised>()

  constructor(database: Knex) {
    this.#database = database
  }

  /** Whether the database answers. */
  async isReachable(): Promise<boolean> {
    return this.#database.raw('select 1').then(
      () => true,
      () => false,
    )
  }

  /** All sites, the last changed first. */
  async list(): Promise<SiteSummary[]> {
    const { rows } = await this.#database.raw<{
      rows: { id: string; name: string; pages: number; changed_at: Date }[]
    }>(
      `select sites.id, settings->>'name' as name, changed_at,
         (select count(*)::int from entries where site_id = sites.id and kind = 'page') as pages
       from sites order by changed_at desc, sites.id`,
    )
    return rows.map(({ changed_at, ...row }) => ({ ...row, changedAt: changed_at.toISOString() }))
  }

  /** Stores a new site with the bytes of its files by key, and gives back its id. */
  async create(site: Site, contents: ReadonlyMap<string, Uint8Array>): Promise<string> {
    const id = randomBytes(8).toString('hex')
    await this.#database.transaction(async (trx) => {
      const keys = new Map<string, string>()
      for (const [key, bytes] of contents) keys.set(key, await keepContent(trx, bytes))
      const files = [...site.files.values()].map((file) => ({
        ...file,
        content: keys.get(file.content) ?? file.content,
      }))
      const own: Site = { ...site, files: new Map(files.map((file) => [file.id, file])) }
      await trx('sites').insert({
        id,
        home_id: own.plan.home,
        settings: JSON.stringify(own.settings),
        surround: JSON.stringify(own.surround),
      })
      await saveDifference(trx, id, undefined, own)
    })
    return id
  }

  /** A site at its newest revision. @throws UnknownSite */
  async read(id: string): Promise<Revised> {
    return this.#database.transaction((trx) => this.#readIn(trx, id, false), {
      isolationLevel: 'repeatable read',
    })
  }

  async #readIn(trx: Knex.Transaction, id: string, forChange: boolean): Promise<Revised> {
    const query = trx<{
      id: string
      home_id: string
      settings: Settings
      surround: Surround
      revision: number
    }>('sites').where({ id })
    const row = await (forChange ? query.forUpdate().first() : query.first())
    if (!row) throw new UnknownSite(`There is no site ${id}.`)
    const known = this.#remembered.get(id)
    if (known?.revision === row.revision) return known
    const entries = await trx<EntryRow>('entries').where('site_id', id).orderBy('place')
    const files = await trx<SiteFile & { site_id: string }>('files')
      .where('site_id', id)
      .orderBy('id')
      .select('id', 'path', 'content', 'size', 'alt')
    const site: Site = {
      // Settings that came with a later version are as new sites have them.
      settings: { ...DEFAULT_SETTINGS, ...row.settings },
      surround: { ...EMPTY_SURROUND, ...row.surround },
      files: new Map(files.map((file) => [file.id, file])),
      plan: planOfRows(entries, row.home_id),
    }
    const revised = { site, revision: row.revision }
    this.#remember(id, revised)
    return revised
  }

  #remember(id: string, revised: Revised): void {
    this.#remembered.delete(id)
    this.#remembered.set(id, revised)
    if (this.#remembered.size > REMEMBERED) this.#remembered.delete(this.#remembered.keys().next().value!)
  }

  /** Removes a site with its history. @throws UnknownSite */
  async remove(id: string): Promise<void> {
    const removed = await this.#database('sites').where({ id }).delete()
    this.#remembered.delete(id)
    if (removed === 0) throw new UnknownSite(`There is no site ${id}.`)
  }

  /**
   * Makes an edit on the newest revision, whichever it was made on, and stores it with its inverse.
   * @throws UnknownSite, and ChangeRefused when it makes no sense there (any more); nothing is stored then
   */
  async change(id: string, edit: Edit): Promise<Stored> {
    const outcome = await this.#database.transaction(async (trx) => {
      const before = await this.#readIn(trx, id, true)
      const made = await trx<ChangeRow>('changes')
        .where({ site_id: id, change_id: edit.id })
        .first('revision')
      if (made)
        return {
          stored: {
            revision: made.revision,
            missed: await this.#changesIn(trx, id, edit.base, made.revision),
          },
        }
      const { site, inverse } = applyChange(before.site, edit.change)
      const after = { site, revision: before.revision + 1 }
      await saveDifference(trx, id, before.site, site)
      await trx('sites')
        .where({ id })
        .update({
          settings: JSON.stringify(site.settings),
          surround: JSON.stringify(site.surround),
          revision: after.revision,
          changed_at: trx.fn.now(),
        })
      await trx('changes').insert({
        site_id: id,
        revision: after.revision,
        change_id: edit.id,
        change: JSON.stringify(edit.change),
        inverse: JSON.stringify(inverse),
        words: changeWords(before.site, edit.change),
      })
      // Heard by every server process when, and only when, the transaction holds.
      await trx.raw('select pg_notify(?, ?)', [CHANNEL, announcement(id, after.revision)])
      const missed = await this.#changesIn(trx, id, edit.base, after.revision)
      return { stored: { revision: after.revision, missed }, after }
    })
    if (outcome.after) this.#remember(id, outcome.after)
    return outcome.stored
  }

  /** Tells all who have a site open on which page a window writes. @throws UnknownSite */
  async announceWindow(id: string, at: WindowAt): Promise<void> {
    const { rows } = (await this.#database.raw('select pg_notify(?, ?) from sites where id = ?', [
      WINDOWS_CHANNEL,
      windowAnnouncement(id, at),
      id,
    ])) as { rows: unknown[] }
    if (rows.length === 0) throw new UnknownSite(id)
  }

  /** The changes after one revision and before another. */
  async #changesIn(
    trx: Knex.Transaction,
    id: string,
    after: number,
    before: number,
  ): Promise<LoggedChange[]> {
    return trx<ChangeRow>('changes')
      .where('site_id', id)
      .andWhere('revision', '>', after)
      .andWhere('revision', '<', before)
      .orderBy('revision')
      .select('revision', 'change')
  }

  /** The changes that brought a site from one revision to its newest, and which that is. @throws UnknownSite */
  async changesAfter(
    id: string,
    after: number,
  ): Promise<{ revision: number; changes: readonly LoggedChange[] }> {
    return this.#database.transaction(
      async (trx) => {
        const { revision } = await this.#readIn(trx, id, false)
        return { revision, changes: await this.#changesIn(trx, id, after, revision + 1) }
      },
      { isolationLevel: 'repeatable read' },
    )
  }

  /** Up to `most` changes before a revision, the newest first. @throws UnknownSite */
  async history(id: string, before: number, most: number): Promise<PastChange[]> {
    await this.read(id)
    const rows = await this.#database<ChangeRow>('changes')
      .where('site_id', id)
      .andWhere('revision', '<', before)
      .orderBy('revision', 'desc')
      .limit(most)
      .select('revision', 'words', 'made_at')
    return rows.map(({ revision, words, made_at }) => ({ revision, words, madeAt: made_at.toISOString() }))
  }

  /**
   * The change that makes the newest revision of a site what it was at an earlier one: the inverses of all changes
   * since then, newest first. Undefined when nothing was done since. @throws UnknownSite
   */
  async wayBack(id: string, to: number): Promise<{ revision: number; change: Change | undefined }> {
    return this.#database.transaction(
      async (trx) => {
        const { revision } = await this.#readIn(trx, id, false)
        const inverses = await trx<ChangeRow>('changes')
          .where('site_id', id)
          .andWhere('revision', '>', to)
          .orderBy('revision', 'desc')
          .pluck('inverse')
        const changes = inverses.flatMap((inverse: Change) => singlesOf(inverse))
        return { revision, change: changes.length === 0 ? undefined : { kind: 'batch', changes } }
      },
      { isolationLevel: 'repeatable read' },
    )
  }

  /** Keeps the bytes of a file that is about to be added to a site; see the change `addFile`. */
  async keepContent(bytes: Uint8Array): Promise<string> {
    return keepContent(this.#database, bytes)
  }

  /** The bytes under a key; undefined when there are none. */
  async readContent(key: string): Promise<Buffer | undefined> {
    return readContent(this.#database, key)
  }
}
