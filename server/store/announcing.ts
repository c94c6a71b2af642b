import type { Knex } from 'knex'
import type { WindowAt } from '@viatica/core/protocol/windows.ts'
import { PUBLISHING_CHANNEL, windowAnnouncement, WINDOWS_CHANNEL } from './announcements.ts'
import { UnknownSite } from './faults.ts'

/** Tells the windows of all server processes what is new. */
export class Announcing {
  readonly #database: Knex

  constructor(database: Knex) {
    this.#database = database
  }

  /** Tells all windows on a site that something about its publications is new. */
  async publishing(id: string): Promise<void> {
    await this.#database.raw('select pg_notify(?, ?)', [PUBLISHING_CHANNEL, id])
  }

  /** Tells all who have a site open on which page a window writes. @throws UnknownSite */
  async window(id: string, at: WindowAt): Promise<void> {
    const { rows } = (await this.#database.raw('select pg_notify(?, ?) from sites where id = ?', [
      WINDOWS_CHANNEL,
      windowAnnouncement(id, at),
      id,
    ])) as { rows: unknown[] }
    if (rows.length === 0) throw new UnknownSite(id)
  }
}
