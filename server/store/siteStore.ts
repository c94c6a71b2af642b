import { randomBytes } from 'node:crypto'
import { setImmediate as immediate } from 'node:timers/promises'
import { type Applied, applyChange } from '@viatica/core/plan/change/apply.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { differenceOf } from '@viatica/core/plan/change/restore.ts'
import { applySoundly } from '@viatica/core/plan/change/sound.ts'
import type { Entry, EntryId } from '@viatica/core/plan/entry.ts'
import { endingOf, type SiteFile } from '@viatica/core/plan/file.ts'
import type { Plan } from '@viatica/core/plan/plan.ts'
import { DEFAULT_SETTINGS, type Settings, type Site } from '@viatica/core/plan/site.ts'
import { EMPTY_SURROUND, type Surround } from '@viatica/core/plan/surround/surround.ts'
import { withContentKeys } from '@viatica/core/plan/surround/templates.ts'
import type { Knex } from 'knex'
import pLimit, { type LimitFunction } from 'p-limit'
import {
  announcement,
  CHANNEL,
  REMOVED,
  windowAnnouncement,
  type WindowAt,
  PUBLISHING_CHANNEL,
  WINDOWS_CHANNEL,
} from './announcements.ts'
import {
  appendChange,
  changesBetween,
  editsMade,
  isEditOf,
  type LoggedChange,
  type PastChange,
  pastChanges,
  revisionOfEdit,
  stateAt,
} from './changeLog.ts'
import { pixelsOf } from '../pictureSize.ts'
import { clearContents, keepContent, newBytes, NoRoom, readContent, type Room, roomIn } from './contents.ts'
import { isFull } from './room.ts'
import { type FileCheck, saveDifference } from './difference.ts'
import { type EntryRow, entryOfRow, type FileRow, fileOfRow, ROWS_BETWEEN } from './rows.ts'

/** A site as it is after a number of changes. */
export interface Revised {
  readonly site: Site
  readonly revision: number
  /** The id of the edit that made this revision; null for a site as it was made. */
  readonly stamp: string | null
}

export interface SiteSummary {
  readonly id: string
  readonly name: string
  readonly tagline: string
  readonly baseUrl: string
  readonly pages: number
  readonly changedAt: string
}

/** How large a picture is that comes with its bytes. */
function sizeOf({ path, pixels: told }: SiteFile, bytes: Uint8Array | undefined): Pick<SiteFile, 'pixels'> {
  const pixels = bytes ? pixelsOf(bytes, path) : told
  return pixels ? { pixels } : {}
}

/** An edit as it was posted. */
export interface Edit {
  /** Chosen by who makes it: an edit that is posted twice is made once. */
  readonly id: string
  /** The revision it was made on, and the id of the edit that had made that one. */
  readonly base: number
  readonly stamp?: string | undefined
  readonly change: Change
  /** The id of the last edit, where this one is typed on in the same field: both are one step then. */
  readonly continues?: string | undefined
}

export interface Stored {
  /** Of the site with the edit. */
  readonly revision: number
  /** The changes that others made since the base of the edit, oldest first; null where it is less to read it anew. */
  readonly missed: readonly LoggedChange[] | null
}

/** An edit of a site that somebody changed since: it makes no sense there any more. */
export class Overtaken extends Error {
  override name = 'Overtaken'
}

/** An edit on a revision that the site does not have. */
export class UnknownBase extends Error {
  override name = 'UnknownBase'
}

/** A point that the history of a site does not have. */
export class UnknownPoint extends Error {
  override name = 'UnknownPoint'
}

/** Nothing is stored under this id, or not any more. */
export class UnknownSite extends Error {
  override name = 'UnknownSite'
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

/** All that is kept of sites. Every write is one transaction: it is stored whole, or not at all. */
export class SiteStore {
  readonly #database: Knex
  readonly #check: FileCheck
  readonly #remembered = new Map<string, Revised>()
  readonly #turns = new Map<string, LimitFunction>()
  #isFull = false

  /**
   * @param check throws when the bytes of a file are not what its name says
   * @param mostBytes that the files of all sites may have together
   */
  constructor(
    database: Knex,
    check: FileCheck,
    readonly mostBytes = Infinity,
  ) {
    this.#database = database
    this.#check = check
  }

  /** Whether the last thing that was to be stored found no room on the disk. */
  get isFull(): boolean {
    return this.#isFull
  }

  /** Does what writes to the database, here or in a thread, and remembers whether there was room for it. */
  async writing<Result>(write: () => Promise<Result>): Promise<Result> {
    try {
      const result = await write()
      this.#isFull = false
      return result
    } catch (error) {
      if (isFull(error as Error)) this.#isFull = true
      throw error
    }
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
      rows: { id: string; name: string; tagline: string; baseUrl: string; pages: number; changed_at: Date }[]
    }>(
      `select sites.id, settings->>'name' as name, changed_at,
         coalesce(settings->>'tagline', '') as tagline, coalesce(settings->>'baseUrl', '') as "baseUrl",
         (select count(*)::int from entries where site_id = sites.id and kind = 'page') as pages
       from sites order by changed_at desc, sites.id`,
    )
    return rows.map(({ changed_at, ...row }) => ({ ...row, changedAt: changed_at.toISOString() }))
  }

  /** @throws NoRoom where more bytes of files are to be stored than there is room for */
  async #checkRoom(database: Knex, more: number): Promise<Room> {
    const room = await roomIn(database, this.mostBytes)
    if (room.used + more > room.most)
      throw new NoRoom(
        `All sites together may have ${Math.round(room.most / 1_000_000)} MB of files, and there is no room for more.`,
      )
    return room
  }

  /** Stores a new site with the bytes of its files by key, and gives back its id. @throws NoRoom */
  async create(site: Site, contents: ReadonlyMap<string, Uint8Array>): Promise<string> {
    const id = randomBytes(8).toString('hex')
    const write = async (trx: Knex.Transaction): Promise<Site> => {
      const keys = new Map<string, string>()
      if (contents.size > 0) await this.#checkRoom(trx, await newBytes(trx, contents.values()))
      for (const [key, bytes] of contents) keys.set(key, await keepContent(trx, bytes, []))
      const files = [...site.files.values()].map((file) => ({
        ...file,
        content: keys.get(file.content) ?? file.content,
        size: contents.get(file.content)?.length ?? file.size,
        ...sizeOf(file, contents.get(file.content)),
      }))
      // In the order in which they are read again.
      files.sort((a, b) => (a.id < b.id ? -1 : 1))
      const own: Site = {
        ...site,
        files: new Map(files.map((file) => [file.id, file])),
        surround: {
          ...site.surround,
          templates: site.surround.templates && withContentKeys(site.surround.templates, keys),
        },
      }
      await trx('sites').insert({
        id,
        home_id: own.plan.home,
        settings: JSON.stringify(own.settings),
        surround: JSON.stringify(own.surround),
      })
      await saveDifference(trx, id, undefined, own, this.#check)
      return own
    }
    const own = await this.writing(() => this.#database.transaction(write))
    this.#remember(id, { site: own, revision: 0, stamp: null })
    return id
  }

  /** A site at its newest revision. @throws UnknownSite */
  async read(id: string): Promise<Revised> {
    return this.#reading((trx) => this.#readIn(trx, id, false))
  }

  /** The name of a site. @throws UnknownSite */
  async nameOf(id: string): Promise<string> {
    const row = await this.#database<{ id: string; settings: Settings }>('sites')
      .where({ id })
      .first('settings')
    if (!row) throw new UnknownSite(`There is no site ${id}.`)
    return row.settings.name
  }

  async #readIn(trx: Knex.Transaction, id: string, forChange: boolean): Promise<Revised> {
    const query = trx<{
      id: string
      home_id: string
      settings: Settings
      surround: Surround
      revision: number
      stamp: string | null
    }>('sites').where({ id })
    const row = await (forChange ? query.forUpdate().first() : query.first())
    if (!row) throw new UnknownSite(`There is no site ${id}.`)
    const known = this.#remembered.get(id)
    if (known?.revision === row.revision && known.stamp === row.stamp) return known
    const caughtUp = known && !forChange ? await this.#catchUp(trx, id, known, row) : undefined
    if (caughtUp) {
      this.#remember(id, caughtUp)
      return caughtUp
    }
    const entries = await trx<EntryRow>('entries').where('site_id', id).orderBy('place')
    const files = await trx<FileRow>('files').where('site_id', id).orderBy('id')
    const site: Site = {
      // Settings that came with a later version are as new sites have them.
      settings: { ...DEFAULT_SETTINGS, ...row.settings },
      surround: { ...EMPTY_SURROUND, ...row.surround },
      files: new Map(files.map((row) => [row.id, fileOfRow(row)])),
      plan: await planOfRows(entries, row.home_id),
    }
    const revised = { site, revision: row.revision, stamp: row.stamp }
    this.#remember(id, revised)
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
    const missed = await changesBetween(trx, id, known.revision, revision + 1)
    if (!missed) return undefined
    try {
      const site = missed.reduce((now, { change }) => applyChange(now, change).site, known.site)
      return { site, revision, stamp }
    } catch (error) {
      if (error instanceof ChangeRefused) return undefined
      throw error
    }
  }

  #remember(id: string, revised: Revised): void {
    this.#remembered.delete(id)
    this.#remembered.set(id, revised)
    let entries = 0
    // The newest comes last.
    for (const [at, [known, { site }]] of [...this.#remembered].toReversed().entries()) {
      entries += site.plan.entries.size
      if (at > 0 && (at >= REMEMBERED || entries > REMEMBERED_ENTRIES)) this.#remembered.delete(known)
    }
  }

  /** Removes a site with its history. @throws UnknownSite */
  async remove(id: string): Promise<void> {
    await this.#database.transaction(async (trx) => {
      const removed = await trx('sites').where({ id }).delete()
      if (removed === 0) throw new UnknownSite(`There is no site ${id}.`)
      await trx.raw('select pg_notify(?, ?)', [CHANNEL, announcement(id, REMOVED)])
    })
    this.#remembered.delete(id)
  }

  /**
   * Makes an edit on the newest revision, whichever it was made on, and stores it with its inverse.
   * @throws UnknownSite; UnknownBase for a revision that is yet to come; ChangeRefused when it makes no sense on the
   * revision that its author saw, Overtaken when somebody was faster. Nothing is stored then
   */
  async change(id: string, edit: Edit): Promise<Stored> {
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
  ): Promise<Stored & { change: Change | undefined }> {
    let change: Change | undefined
    const stored = await this.#store(id, edit, async (trx, newest) => {
      const single = differenceOf(newest.site, await this.#pointIn(trx, id, newest, to))
      return (change = single && { kind: 'batch', words, changes: [single] })
    })
    return { ...stored, change }
  }

  async #store(
    id: string,
    edit: Omit<Edit, 'change'>,
    changeOn: (trx: Knex.Transaction, newest: Revised) => Promise<Change | undefined> | Change | undefined,
  ): Promise<Stored> {
    return this.#inTurn(id, async () => {
      const { stored, after } = await this.#database.transaction(async (trx) => {
        const before = await this.#readIn(trx, id, true)
        if (edit.base > before.revision) throw new UnknownBase(`The site is at revision ${before.revision}.`)
        const made = await revisionOfEdit(trx, id, edit.id)
        if (made !== undefined) return { stored: await this.#storedIn(trx, id, edit, made) }
        const change = await changeOn(trx, before)
        if (!change) return { stored: await this.#storedIn(trx, id, edit, before.revision, true) }
        const after = await this.#saveIn(trx, id, before, edit, change)
        return { stored: await this.#storedIn(trx, id, edit, after.revision), after }
      })
      if (after) this.#remember(id, after)
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
        revision,
        stamp: edit.id,
        changed_at: trx.fn.now(),
      })
    // Heard by every server process when, and only when, the transaction holds.
    await trx.raw('select pg_notify(?, ?)', [CHANNEL, announcement(id, revision)])
    return { site, revision, stamp: edit.id }
  }

  /** What whoever made an edit has missed. @param isWhole whether the last revision is not theirs */
  async #storedIn(
    trx: Knex.Transaction,
    id: string,
    { base, stamp }: Omit<Edit, 'change'>,
    revision: number,
    isWhole = false,
  ): Promise<Stored> {
    // The same number of another history, as after a backup was brought back.
    const isOther = stamp !== undefined && !(await isEditOf(trx, id, base, stamp))
    if (isOther) return { revision, missed: null }
    return {
      revision,
      missed: (await changesBetween(trx, id, base, isWhole ? revision + 1 : revision)) ?? null,
    }
  }

  /** Lets the edits of one site wait for each other here, so that a site that is held up takes one connection. */
  async #inTurn<Result>(id: string, work: () => Promise<Result>): Promise<Result> {
    const turn = this.#turns.get(id) ?? pLimit(1)
    this.#turns.set(id, turn)
    try {
      return await turn(() => this.writing(work))
    } finally {
      if (turn.activeCount + turn.pendingCount === 0) this.#turns.delete(id)
    }
  }

  /** Tells all who have a site open on which page a window writes. @throws UnknownSite */
  /** Tells all windows on a site that something about its publications is new. */
  async announcePublishing(id: string): Promise<void> {
    await this.#database.raw('select pg_notify(?, ?)', [PUBLISHING_CHANNEL, id])
  }

  async announceWindow(id: string, at: WindowAt): Promise<void> {
    const { rows } = (await this.#database.raw('select pg_notify(?, ?) from sites where id = ?', [
      WINDOWS_CHANNEL,
      windowAnnouncement(id, at),
      id,
    ])) as { rows: unknown[] }
    if (rows.length === 0) throw new UnknownSite(id)
  }

  /**
   * The changes that brought a site from one revision to its newest, and which that is; null where it is less to read
   * the site anew. @throws UnknownSite
   */
  async changesAfter(
    id: string,
    after: number,
  ): Promise<{ revision: number; changes: readonly LoggedChange[] | null }> {
    return this.#reading(async (trx) => {
      const { revision } = await this.#readIn(trx, id, false)
      const changes = after > revision ? undefined : await changesBetween(trx, id, after, revision + 1)
      return { revision, changes: changes ?? null }
    })
  }

  /** Which of some edits were made on a site, and the revisions they made. @throws UnknownSite */
  async editsMade(id: string, edits: readonly string[]): Promise<{ id: string; revision: number }[]> {
    return this.#reading(async (trx) => {
      await this.#readIn(trx, id, false)
      return editsMade(trx, id, edits)
    })
  }

  /** Up to `most` changes before a revision, the newest first. @throws UnknownSite */
  async history(id: string, before: number, most: number): Promise<PastChange[]> {
    await this.read(id)
    return pastChanges(this.#database, id, before, most)
  }

  /**
   * The change that makes the newest revision of a site what it was at an earlier one. Undefined when nothing is
   * different. @throws UnknownSite, UnknownPoint
   */
  async wayBack(id: string, to: number): Promise<{ revision: number; change: Change | undefined }> {
    return this.#reading(async (trx) => {
      const newest = await this.#readIn(trx, id, false)
      const then = await this.#pointIn(trx, id, newest, to)
      return { revision: newest.revision, change: differenceOf(newest.site, then) }
    })
  }

  async #pointIn(trx: Knex.Transaction, id: string, newest: Revised, to: number): Promise<Site> {
    const then = await stateAt(trx, id, newest, to)
    if (!then) throw new UnknownPoint(`The history of this site has no step ${to} any more.`)
    return then
  }

  /** Reads what belongs together as it was at one moment. */
  async #reading<Result>(read: (trx: Knex.Transaction) => Promise<Result>): Promise<Result> {
    return this.#database.transaction(read, { isolationLevel: 'repeatable read', readOnly: true })
  }

  /**
   * Keeps the bytes of a file that is about to be added to a site; see the change `addFile`.
   * @param name that they were checked under; undefined for what was not checked @returns their key, and how much room there is
   * @throws NoRoom
   */
  async keepContent(bytes: Uint8Array, name: string | undefined): Promise<{ content: string; room: Room }> {
    return this.writing(async () => {
      const room = await this.#checkRoom(this.#database, bytes.length)
      return {
        content: await keepContent(this.#database, bytes, name === undefined ? [] : [endingOf(name)]),
        room,
      }
    })
  }

  /** Clears bytes away that no site and no history needs any more. @returns how many */
  async clearContents(): Promise<number> {
    return clearContents(this.#database)
  }

  /** The bytes under a key; undefined when there are none. */
  async readContent(key: string): Promise<Buffer | undefined> {
    return readContent(this.#database, key)
  }
}
