import { randomUUID } from 'node:crypto'
import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { loadDemo } from '@viatica/demo/load.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { FILE_TYPES } from '@viatica/core/plan/file.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { fromSiteData, type SiteData } from '@viatica/core/plan/siteData.ts'
import type { Knex } from 'knex'
import { pino } from 'pino'
import { createApp } from '../app.ts'
import { Access } from '../http/access.ts'
import { Announcements } from '../store/announcements.ts'
import { migrate, openDatabase } from '../store/database.ts'
import { readLoggedIn } from '../store/readLogged.ts'
import { Sessions } from '../store/sessions.ts'
import { SiteStore } from '../store/siteStore.ts'
import type { HostRules } from '@viatica/hosts/open.ts'
import { publishingOf } from '../publish/together.ts'
import { Workshop } from '../threads/workshop.ts'
import { makeDatabase } from './database.ts'

export interface Answer {
  readonly status: number
  readonly headers: Headers
  readonly text: string
  // What comes back is looked at field by field; a test that guesses wrong fails.
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  readonly json: any
}

/** Sends a request to a server and reads all that comes back. */
export async function ask(
  url: string,
  method = 'GET',
  body?: unknown,
  type = 'application/json',
): Promise<Answer> {
  const sent =
    body === undefined || typeof body === 'string' || body instanceof Uint8Array ? body : JSON.stringify(body)
  const response = await fetch(url, {
    method,
    body: (sent as BodyInit | undefined) ?? null,
    headers: sent === undefined ? {} : { 'Content-Type': type },
  })
  const text = await response.text()
  const isJson = response.headers.get('content-type')?.includes('json')
  return {
    status: response.status,
    headers: response.headers,
    text,
    json: isJson ? JSON.parse(text) : undefined,
  }
}

/** Talks to the API of one server. */
export function apiAt(url: string) {
  return {
    post: (site: string, base: number, change: Change | object, id: string = randomUUID()) =>
      ask(`${url}/api/sites/${site}/changes`, 'POST', { id, base, change }),
    async read(site: string): Promise<{ revision: number; site: Site }> {
      const { json } = await ask(`${url}/api/sites/${site}`)
      return { revision: json.revision, site: fromSiteData(json.site as SiteData) }
    },
    async create(name = 'A site'): Promise<string> {
      return (await ask(`${url}/api/sites`, 'POST', { name })).json.id as string
    },
  }
}

interface LogLine {
  readonly req?: { readonly url: string }
}
/** A test reads no more lines of the log. */
const MOST_LINES = 1000

export interface Serving {
  readonly url: string
  readonly database: Knex
  readonly databaseUrl: string
  readonly store: SiteStore
  readonly api: ReturnType<typeof apiAt>
  /** The first lines of the log. */
  logged(): LogLine[]
  /** Keeps bytes under the keys that random changes name. */
  keepTestContents(): Promise<void>
  /** Stores the demo and gives back its id. */
  demo(): Promise<string>
  stop(): Promise<void>
}

/** A server in this process, on a free port and a database of its own. */
export async function serve({
  mostBytes = 1_000_000_000,
  accessKey,
  secret,
  rules = { folders: [], standIn: undefined, reach: { ownNetwork: true, allowed: new Set() } },
}: { mostBytes?: number; accessKey?: string; secret?: string; rules?: HostRules } = {}): Promise<Serving> {
  const made = await makeDatabase()
  const database = openDatabase(made.url)
  await migrate(database)
  const workshop = new Workshop(made.url)
  const check = (bytes: Uint8Array, name: string) =>
    workshop.read({ kind: 'file', bytes, name }).then(() => undefined)
  const store = new SiteStore(database, check, mostBytes, readLoggedIn(workshop))
  const lines: string[] = []
  const logger = pino(
    { level: 'info' },
    { write: (line: string) => void (lines.length < MOST_LINES && lines.push(line)) },
  )
  const announcements = new Announcements(made.url)
  const publish = publishingOf(database, store, workshop, logger, { secret, rules })
  const { app } = createApp({
    publish,
    store,
    announcements,
    workshop,
    access: new Access(accessKey, new Sessions(database)),
    logger,
    hosts: ['127.0.0.1'],
    maxFileBytes: 1_000_000,
    screens: '/nowhere',
  })
  const server = await new Promise<Server>((resolve) => {
    const listening = app.listen(0, '127.0.0.1', () => resolve(listening))
    // A test may compute for longer than connections are kept open, and then use one again.
    listening.keepAliveTimeout = 600_000
  })
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  return {
    url,
    database,
    databaseUrl: made.url,
    store,
    api: apiAt(url),
    logged: () => lines.map((line) => JSON.parse(line) as LogLine),
    async keepTestContents() {
      const rows = ['k0', 'k1', 'k2'].map((key) => ({
        ...{ key, bytes: Buffer.from(key), size: key.length },
        checked: [...FILE_TYPES.keys()],
      }))
      await database('contents').insert(rows).onConflict().ignore()
    },
    demo() {
      const { site, contents } = loadDemo()
      return store.sites.create(site, contents)
    },
    async stop() {
      server.closeAllConnections()
      await new Promise((resolve) => server.close(resolve))
      await publish.publisher.close()
      await Promise.all([database.destroy(), announcements.close(), workshop.close()])
      await made.drop()
    },
  }
}
