import { randomBytes } from 'node:crypto'
import type { SiteFile } from '@viatica/core/plan/file.ts'
import { goneList } from '@viatica/core/plan/gone.ts'
import { isOfTemplates, type Settings, type Site } from '@viatica/core/plan/site.ts'
import { withContentKeys } from '@viatica/core/plan/surround/templates.ts'
import type { SiteSummary } from '@viatica/core/protocol/sites.ts'
import type { Knex } from 'knex'
import { pixelsOf } from '../pictureSize.ts'
import { announcement, CHANNEL, REMOVED } from './announcements.ts'
import { keepContent, newBytes } from './contents.ts'
import type { ContentStore } from './contentStore.ts'
import { type FileCheck, saveDifference } from './difference.ts'
import type { Disk } from './disk.ts'
import { UnknownSite } from './faults.ts'
import type { Revised, Revisions } from './revisions.ts'

/** How large a picture is that comes with its bytes. */
function sizeOf({ path, pixels: told }: SiteFile, bytes: Uint8Array | undefined): Pick<SiteFile, 'pixels'> {
  const pixels = bytes ? pixelsOf(bytes, path) : told
  return pixels ? { pixels } : {}
}

/** The sites as wholes: made, listed, read and removed. */
export class Sites {
  readonly #database: Knex
  readonly #check: FileCheck
  readonly #revisions: Revisions
  readonly #contents: ContentStore
  readonly #disk: Disk

  /** @param check throws when the bytes of a file are not what its name says */
  constructor(database: Knex, check: FileCheck, revisions: Revisions, contents: ContentStore, disk: Disk) {
    this.#database = database
    this.#check = check
    this.#revisions = revisions
    this.#contents = contents
    this.#disk = disk
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

  /** Stores a new site with the bytes of its files by key, and gives back its id. @throws NoRoom */
  async create(site: Site, contents: ReadonlyMap<string, Uint8Array>): Promise<string> {
    const id = randomBytes(8).toString('hex')
    const write = async (trx: Knex.Transaction): Promise<Site> => {
      const keys = new Map<string, string>()
      if (contents.size > 0) await this.#contents.checkRoom(await newBytes(trx, contents.values()), trx)
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
        surround: isOfTemplates(site)
          ? { ...site.surround, templates: withContentKeys(site.surround.templates, keys) }
          : site.surround,
      }
      await trx('sites').insert({
        id,
        home_id: own.plan.home,
        settings: JSON.stringify(own.settings),
        surround: JSON.stringify(own.surround),
        gone: JSON.stringify(goneList(own.gone)),
      })
      await saveDifference(trx, id, undefined, own, this.#check)
      return own
    }
    const own = await this.#disk.writing(() => this.#database.transaction(write))
    this.#revisions.remember(id, { site: own, revision: 0, stamp: null })
    return id
  }

  /** A site at its newest revision. @throws UnknownSite */
  async read(id: string): Promise<Revised> {
    return this.#revisions.read(id)
  }

  /** The name of a site. @throws UnknownSite */
  async nameOf(id: string): Promise<string> {
    const row = await this.#database<{ id: string; settings: Settings }>('sites')
      .where({ id })
      .first('settings')
    if (!row) throw new UnknownSite(`There is no site ${id}.`)
    return row.settings.name
  }

  /** Removes a site with its history. @throws UnknownSite */
  async remove(id: string): Promise<void> {
    await this.#database.transaction(async (trx) => {
      const removed = await trx('sites').where({ id }).delete()
      if (removed === 0) throw new UnknownSite(`There is no site ${id}.`)
      await trx.raw('select pg_notify(?, ?)', [CHANNEL, announcement(id, REMOVED)])
    })
    this.#revisions.forget(id)
  }
}
