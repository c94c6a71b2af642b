import { EventEmitter } from 'node:events'
import pg from 'pg'

/** The channel on which every server process that shares the database says which site changed. */
export const CHANNEL = 'viatica_changes'

/** What is said on the channel: the site, and its newest revision. */
export function announcement(site: string, revision: number): string {
  return `${site} ${revision}`
}

const RETRY_MS = 1000

/**
 * Hears of changes to sites, whichever server process made them (PostgreSQL LISTEN/NOTIFY). While the database
 * cannot be reached it tries again; those who listen then learn of what they missed with the next change.
 */
export class Announcements {
  readonly #url: string
  readonly #heard = new EventEmitter<Record<string, [revision: number]>>().setMaxListeners(0)
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
      isLost = true
      this.#retry = setTimeout(() => void this.#connect(), RETRY_MS)
      client.end().catch(() => undefined)
    }
    client.on('error', again)
    client.on('end', again)
    client.on('notification', ({ payload = '' }) => {
      const [site = '', revision = ''] = payload.split(' ')
      this.#heard.emit(site, Number(revision))
    })
    try {
      await client.connect()
      await client.query(`listen ${CHANNEL}`)
    } catch {
      again()
    }
  }

  /** Calls `hear` with the newest revision of a site whenever it changes. @returns what ends it */
  on(site: string, hear: (revision: number) => void): () => void {
    this.#heard.on(site, hear)
    return () => this.#heard.off(site, hear)
  }

  async close(): Promise<void> {
    this.#isClosed = true
    clearTimeout(this.#retry)
    this.#heard.removeAllListeners()
    await this.#client?.end().catch(() => undefined)
  }
}
