import type { WindowAt } from '@viatica/core/protocol/windows.ts'
import { EventEmitter } from 'node:events'
import pg from 'pg'

/** The channel on which every server process that shares the database says which site changed. */
export const CHANNEL = 'viatica_changes'

/** Said in the place of a revision of a site that is no longer there. */
export const REMOVED = -1

/** What is said on the channel: the site, and its newest revision. */
export function announcement(site: string, revision: number): string {
  return `${site} ${revision}`
}

/** The channel on which they say which window writes on which page. */
export const WINDOWS_CHANNEL = 'viatica_windows'

/** The channel on which they say of which site a publication is new or goes on. */
export const PUBLISHING_CHANNEL = 'viatica_publishing'

/** What is said on the channel of windows. */
export function windowAnnouncement(site: string, { window, page, asks }: WindowAt): string {
  return [site, window, asks ? 'asks' : 'says', page].join(' ')
}

const RETRY_MS = 1000

/**
 * Hears of changes to sites, whichever server process made them (PostgreSQL LISTEN/NOTIFY). While the database
 * cannot be reached it tries again, and then says that it is back: what was announced meanwhile was not heard.
 */
export class Announcements {
  readonly #url: string
  readonly #revisions = new EventEmitter<Record<string, [revision: number]>>().setMaxListeners(0)
  readonly #windows = new EventEmitter<Record<string, [at: WindowAt]>>().setMaxListeners(0)
  readonly #publishing = new EventEmitter<Record<string, []>>().setMaxListeners(0)
  readonly #returns = new EventEmitter<{ back: [] }>().setMaxListeners(0)
  #wasLost = false
  #client: pg.Client | undefined
  #retry: NodeJS.Timeout | undefined
  #isClosed = false

  constructor(databaseUrl: string) {
    this.#url = databaseUrl
    void this.#connect()
  }

  async #connect(): Promise<void> {
    const client = new pg.Client({ connectionString: this.#url, connectionTimeoutMillis: 3000 })
    this.#client = client
    let isLost = false
    const again = () => {
      if (isLost || this.#isClosed) return
      isLost = this.#wasLost = true
      this.#retry = setTimeout(() => void this.#connect(), RETRY_MS)
      client.end().catch(() => undefined)
    }
    client.on('error', again)
    client.on('end', again)
    client.on('notification', ({ channel, payload = '' }) => {
      const [site = '', said = '', way = '', page = ''] = payload.split(' ')
      if (channel === CHANNEL) this.#revisions.emit(site, Number(said))
      else if (channel === PUBLISHING_CHANNEL) this.#publishing.emit(site)
      else this.#windows.emit(site, { window: said, asks: way === 'asks', page })
    })
    try {
      await client.connect()
      await client.query(`listen ${WINDOWS_CHANNEL}`)
      await client.query(`listen ${PUBLISHING_CHANNEL}`)
      await client.query(`listen ${CHANNEL}`)
      if (this.#wasLost) this.#returns.emit('back')
      this.#wasLost = false
    } catch {
      again()
    }
  }

  /** Calls `hear` whenever the database can be heard again after it could not. @returns what ends it */
  onReturn(hear: () => void): () => void {
    this.#returns.on('back', hear)
    return () => this.#returns.off('back', hear)
  }

  /** Calls `hear` with the newest revision of a site whenever it changes, or REMOVED. @returns what ends it */
  on(site: string, hear: (revision: number) => void): () => void {
    this.#revisions.on(site, hear)
    return () => this.#revisions.off(site, hear)
  }

  /** Calls `hear` whenever a window says on which page of a site it writes. @returns what ends it */
  onWindow(site: string, hear: (at: WindowAt) => void): () => void {
    this.#windows.on(site, hear)
    return () => this.#windows.off(site, hear)
  }

  /** Calls `hear` whenever something about the publications of a site is new. @returns what ends it */
  onPublishing(site: string, hear: () => void): () => void {
    this.#publishing.on(site, hear)
    return () => this.#publishing.off(site, hear)
  }

  async close(): Promise<void> {
    this.#isClosed = true
    clearTimeout(this.#retry)
    this.#revisions.removeAllListeners()
    this.#windows.removeAllListeners()
    this.#publishing.removeAllListeners()
    this.#returns.removeAllListeners()
    await this.#client?.end().catch(() => undefined)
  }
}
