import { randomBytes } from 'node:crypto'
import { doorOf, type HostSecret, type HostSettings, keyPlaceOf } from '@viatica/core/publish/host.ts'
import type { FileRole, HostFile } from '@viatica/core/publish/publication.ts'
import type { Host, KeptFile } from '@viatica/core/protocol/publish.ts'
import type { Knex } from 'knex'
import { Problem } from '../http/problem.ts'
import { keepContent } from '../store/contents.ts'
import type { HostRecord, RecordedFile } from '@viatica/hosts/record.ts'
import type { Secrets } from './secrets.ts'

interface HostRow {
  readonly id: string
  readonly site_id: string
  readonly name: string
  readonly settings: HostSettings
  readonly secret: Buffer | null
  readonly host_key: string | null
}

interface FileRow {
  readonly path: string
  readonly digest: string
  readonly size: number
  readonly role: FileRole
  readonly page: string | null
}

const hostOf = ({ id, settings, secret, host_key }: HostRow): Host => ({
  id,
  settings,
  hasSecret: secret !== null,
  hostKey: host_key ?? '',
})

/** What makes a host another: not how one logs in, nor how it is encrypted. */
function targetOf({ way }: HostSettings): string {
  switch (way.by) {
    case 'sftp':
    case 'ftp':
      return JSON.stringify([way.by, way.server, way.port, way.folder, way.user])
    case 'folder':
    case 'stand-in':
      return JSON.stringify(way)
  }
}

const unknownHost = () => new Problem(404, 'Not found', 'This site has no such host.')

export const hostFileOf = ({ path, digest, size, role, page }: FileRow): HostFile => ({
  path,
  digest,
  size,
  role,
  page,
})

/** The hosts of sites, and what is known of their files. */
export class HostStore {
  readonly #database: Knex
  readonly #secrets: Secrets

  constructor(database: Knex, secrets: Secrets) {
    this.#database = database
    this.#secrets = secrets
  }

  /** In the order in which they were made. */
  async list(site: string): Promise<Host[]> {
    const rows = await this.#database<HostRow>('hosts').where({ site_id: site }).orderBy(['made_at', 'id'])
    return rows.map(hostOf)
  }

  async #row(site: string, id: string): Promise<HostRow> {
    const row = await this.#database<HostRow>('hosts').where({ site_id: site, id }).first()
    if (!row) throw unknownHost()
    return row
  }

  /** @throws Problem 404 */
  async read(site: string, id: string): Promise<Host> {
    return hostOf(await this.#row(site, id))
  }

  /** What opens a host. @throws Problem when it cannot be read any more */
  async secretOf(site: string, id: string): Promise<HostSecret> {
    const { secret } = await this.#row(site, id)
    if (secret === null) return {}
    const text = this.#secrets.open(secret, id)
    if (text === undefined)
      throw new Problem(
        409,
        'Locked',
        'The password or key of this host was kept under another key of the server. Type it in again.',
      )
    return JSON.parse(text) as HostSecret
  }

  #seal(id: string, secret: HostSecret): Buffer | null {
    if (Object.values(secret).every((part) => part === undefined || part === '')) return null
    if (!this.#secrets.canKeep)
      throw new Problem(
        409,
        'No key',
        'This server keeps no passwords: whoever runs it sets VIATICA_SECRET for that.',
      )
    return this.#secrets.seal(JSON.stringify(secret), id)
  }

  async create(site: string, settings: HostSettings, secret: HostSecret): Promise<string> {
    const id = randomBytes(8).toString('hex')
    await this.#database('hosts').insert({
      id,
      site_id: site,
      name: settings.name,
      settings: JSON.stringify(settings),
      secret: this.#seal(id, secret),
    })
    return id
  }

  /**
   * Sets what is known of a host. At another place on a host its files are forgotten; on another server or port its key, too.
   * @param secret undefined leaves it unchanged, where it opens the same
   */
  async set(site: string, id: string, settings: HostSettings, secret: HostSecret | undefined): Promise<void> {
    await this.#database.transaction(async (trx) => {
      const row = await trx<HostRow>('hosts').where({ site_id: site, id }).forUpdate().first()
      if (!row) throw unknownHost()
      const isElsewhere = targetOf(row.settings) !== targetOf(settings)
      const opens = secret ?? (doorOf(row.settings.way) === doorOf(settings.way) ? undefined : {})
      const hasOtherKey = keyPlaceOf(row.settings.way) !== keyPlaceOf(settings.way)
      await trx('hosts')
        .where({ id })
        .update({
          name: settings.name,
          settings: JSON.stringify(settings),
          ...(opens === undefined ? {} : { secret: this.#seal(id, opens) }),
          ...(hasOtherKey ? { host_key: null } : {}),
        })
      if (isElsewhere) {
        await trx('host_files').where({ host_id: id }).delete()
        await trx('host_intents').where({ host_id: id }).delete()
      }
    })
  }

  /** Remembers the key of a host that was approved; null removes it. */
  async pinKey(site: string, id: string, hostKey: string | null): Promise<void> {
    const count = await this.#database('hosts').where({ site_id: site, id }).update({ host_key: hostKey })
    if (count === 0) throw unknownHost()
  }

  async remove(site: string, id: string): Promise<void> {
    if ((await this.#database('hosts').where({ site_id: site, id }).delete()) === 0) throw unknownHost()
  }

  /** What publications put on a host. */
  async filesOf(id: string): Promise<HostFile[]> {
    return (
      await this.#database<FileRow & { host_id: string }>('host_files').where({ host_id: id }).orderBy('path')
    ).map(hostFileOf)
  }

  /** The files of others that are kept, the newest first. */
  async keptAside(id: string): Promise<KeptFile[]> {
    const rows = await this.#database('kept_aside')
      .join('contents', 'contents.key', 'kept_aside.digest')
      .where({ host_id: id })
      .orderBy('kept_aside.kept_at', 'desc')
      .limit(200)
      .select<{ path: string; digest: string; size: number; kept_at: Date }[]>(
        'path',
        'digest',
        'size',
        'kept_aside.kept_at',
      )
    return rows.map(({ kept_at, ...row }) => ({ ...row, keptAt: kept_at.toISOString() }))
  }

  recordOf(id: string): HostRecord {
    return new DatabaseRecord(this.#database, id)
  }
}

/** What is known of the files on one host. */
class DatabaseRecord implements HostRecord {
  readonly #database: Knex
  readonly #host: string

  constructor(database: Knex, host: string) {
    this.#database = database
    this.#host = host
  }

  async files(): Promise<RecordedFile[]> {
    const rows = await this.#database<FileRow & { host_id: string; modified: string }>('host_files').where({
      host_id: this.#host,
    })
    return rows.map((row) => ({
      ...hostFileOf(row),
      seen: { size: row.size, modified: Number(row.modified) },
    }))
  }

  async intended(): Promise<Map<string, string>> {
    const rows = await this.#database<{ host_id: string; path: string; digest: string }>(
      'host_intents',
    ).where({
      host_id: this.#host,
    })
    return new Map(rows.map(({ path, digest }) => [path, digest]))
  }

  async intend(path: string, digest: string): Promise<void> {
    await this.#database('host_intents')
      .insert({ host_id: this.#host, path, digest })
      .onConflict(['host_id', 'path'])
      .merge()
  }

  async put({ path, digest, role, page, seen }: RecordedFile): Promise<void> {
    const row = { host_id: this.#host, path, digest, role, page, size: seen.size, modified: seen.modified }
    await this.#database.transaction(async (trx) => {
      await trx('host_files').insert(row).onConflict(['host_id', 'path']).merge()
      await trx('host_intents').where({ host_id: this.#host, path }).delete()
    })
  }

  async removed(path: string): Promise<void> {
    await this.#database.transaction(async (trx) => {
      await trx('host_files').where({ host_id: this.#host, path }).delete()
      await trx('host_intents').where({ host_id: this.#host, path }).delete()
    })
  }

  async keepAside(path: string, digest: string, bytes: Uint8Array): Promise<void> {
    await this.#database.transaction(async (trx) => {
      await keepContent(trx, bytes, [], false)
      await trx('kept_aside')
        .insert({ host_id: this.#host, path, digest, kept_at: trx.fn.now() })
        .onConflict(['host_id', 'path', 'digest'])
        .merge()
    })
  }
}
