import { randomBytes } from 'node:crypto'
import type { HostFile } from '@viatica/core/publish/publication.ts'
import {
  isAtWork,
  type Publication,
  type PublicationState,
  type Report,
  STATES_AT_WORK,
} from '@viatica/core/publish/report.ts'
import type { Knex } from 'knex'
import { Problem } from '../http/problem.ts'
import { hostFileOf } from './hostStore.ts'

interface Row {
  readonly id: string
  readonly host_id: string
  readonly number: number
  readonly revision: number
  readonly again_of: number | null
  readonly made_by: string
  readonly state: PublicationState
  readonly report: Report
  readonly begun_at: Date
  readonly ended_at: Date | null
}

/** Whoever does a publication says so this often, and is gone when nothing was said for so long. */
export const ALIVE_MS = 4000
const GONE = '30 seconds'
/** Earlier publications of a host than these can not be published again: their files are cleared away. */
const MOST_KEPT = 20

const publicationOf = (row: Row): Publication => ({
  id: row.id,
  number: row.number,
  revision: row.revision,
  againOf: row.again_of,
  by: row.made_by,
  state: row.state,
  report: row.report,
  begunAt: row.begun_at.toISOString(),
  endedAt: row.ended_at?.toISOString() ?? null,
})

const unknown = () => new Problem(404, 'Not found', 'There is no such publication.')

/** The publications of hosts. */
export class Publications {
  readonly #database: Knex

  constructor(database: Knex) {
    this.#database = database
  }

  /** Says of those that nobody is at work on any more that they broke off. */
  async #endLeft(): Promise<void> {
    await this.#database<Row>('publications')
      .whereIn('state', [...STATES_AT_WORK])
      .whereRaw(`alive_at < now() - interval '${GONE}'`)
      .update({ state: 'broken off', ended_at: this.#database.fn.now() as never })
  }

  /** The newest first. */
  async list(host: string): Promise<Publication[]> {
    await this.#endLeft()
    const rows = await this.#database<Row>('publications')
      .where({ host_id: host })
      .orderBy('number', 'desc')
      .limit(100)
    return rows.map(publicationOf)
  }

  /** @throws Problem 404 */
  async read(host: string, id: string): Promise<Publication> {
    const row = await this.#database<Row>('publications').where({ host_id: host, id }).first()
    if (!row) throw unknown()
    return publicationOf(row)
  }

  /** The files of a publication; none where they were cleared away. */
  async filesOf(id: string): Promise<HostFile[]> {
    const rows = await this.#database<HostFile & { publication_id: string }>('publication_files').where({
      publication_id: id,
    })
    return rows.map(hostFileOf)
  }

  /** Begins one. @throws Problem 409 while another is under way */
  async begin(host: string, revision: number, againOf: number | null, by: string): Promise<string> {
    await this.#endLeft()
    const id = randomBytes(8).toString('hex')
    try {
      await this.#database.transaction(async (trx) => {
        await trx('hosts').where({ id: host }).forUpdate().select('id')
        const last = await trx<Row>('publications')
          .where({ host_id: host })
          .max<{ max: number | null }[]>('number')
        await trx('publications').insert({
          id,
          host_id: host,
          number: (last[0]?.max ?? 0) + 1,
          revision,
          again_of: againOf,
          made_by: by,
          state: 'preparing',
          report: '{}',
        })
      })
    } catch (error) {
      if ((error as { code?: string }).code === '23505')
        throw new Problem(
          409,
          'Publishing',
          'The site is being published to this host already: wait until that is done.',
        )
      throw error
    }
    return id
  }

  /** Keeps how it stands, and that somebody is at work on it; one that has ended stays as it ended. */
  async say(id: string, state: PublicationState, report: Report, revision?: number): Promise<void> {
    await this.#database('publications')
      .where({ id })
      .whereIn('state', [...STATES_AT_WORK])
      .update({
        state,
        report: JSON.stringify(report),
        alive_at: this.#database.fn.now(),
        ended_at: isAtWork(state) ? null : this.#database.fn.now(),
        ...(revision === undefined ? {} : { revision }),
      })
  }

  /** @returns whether it goes on: it may have been asked to stop from elsewhere */
  async sayAlive(id: string): Promise<boolean> {
    const count = await this.#database('publications')
      .where({ id })
      .whereIn('state', [...STATES_AT_WORK])
      .update({ alive_at: this.#database.fn.now() })
    return count > 0
  }

  /** Says of one that is under way that it is to stop. */
  async askToStop(host: string, id: string): Promise<void> {
    await this.#database<Row>('publications')
      .where({ host_id: host, id })
      .whereIn('state', [...STATES_AT_WORK])
      .update({ state: 'stopped', ended_at: this.#database.fn.now() as never })
  }

  /** Gives one the files of another. */
  async copyFiles(from: string, to: string): Promise<void> {
    await this.#database.raw(
      `insert into publication_files (publication_id, path, digest, size, role, page)
       select ?, path, digest, size, role, page from publication_files where publication_id = ?`,
      [to, from],
    )
  }

  /** Clears the files away of those that are long past, and of those that came to nothing. */
  async clear(host: string): Promise<void> {
    await this.#database.raw(
      `delete from publication_files where publication_id in (
         select id from publications where host_id = ? and (state <> 'done' or number <= (
           select coalesce(max(number), 0) from publications where host_id = ?) - ?)
         and state not in ('preparing', 'sending', 'proving'))`,
      [host, host, MOST_KEPT],
    )
  }
}
