import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { loadDamagedDemo, loadDemo } from '@viatica/demo/load.ts'
import { pino } from 'pino'
import { createApp } from './app.ts'
import { Access } from './http/access.ts'
import { readConfig } from './config.ts'
import { Announcements } from './store/announcements.ts'
import { alone, answering, migrate, openDatabase } from './store/database.ts'
import { readLoggedIn } from './store/readLogged.ts'
import { Sessions } from './store/sessions.ts'
import { SiteStore } from './store/siteStore.ts'
import { beforeLastEdit, setUpTrialHost } from './publish/trialHost.ts'
import { hostRules, publishingOf } from './publish/together.ts'
import { Workshop } from './threads/workshop.ts'

/** How often files that nothing needs are cleared away. */
const CLEARING_MS = 3_600_000
/** How long requests that are under way get to end when the server is told to stop. */
const PATIENCE_MS = 5000

const config = readConfig(process.env)
const logger = pino({ level: config.logLevel })
const database = openDatabase(config.databaseUrl)
const workshop = new Workshop(config.databaseUrl)
const check = (bytes: Uint8Array, name: string) =>
  workshop.read({ kind: 'file', bytes, name }).then(() => undefined)
const store = new SiteStore(database, check, config.mostBytes, readLoggedIn(workshop))

/** The demo that was loaded just now, whose trial host is to be set up. */
let trial: { readonly id: string; readonly html: string } | undefined

// It may be started together with the database, or on a machine that is busy.
await answering(database, (error) => logger.warn(error, 'waiting for the database'))
// Of servers that start together, one brings the tables up to date and loads the demo.
await alone(database, async () => {
  await migrate(database)
  if (!config.withDemo || (await store.sites.list()).length > 0) return
  // The newest stands first in the list.
  const damaged = loadDamagedDemo()
  await store.sites.create(damaged.site, damaged.contents)
  const { site, contents } = loadDemo()
  const before = beforeLastEdit(site)
  const id = await store.sites.create(config.standIn ? before.site : site, contents)
  if (config.standIn) trial = { id, html: before.html }
})
const clearing = setInterval(() => {
  store.contents.clear().catch((error: unknown) => logger.warn(error, 'could not clear files away'))
}, CLEARING_MS).unref()

const announcements = new Announcements(config.databaseUrl)
const publish = publishingOf(database, store, workshop, logger, {
  secret: config.secret,
  rules: hostRules(config),
})
const { app, endStreams } = createApp({
  publish,
  store,
  announcements,
  workshop,
  access: new Access(config.accessKey, new Sessions(database)),
  logger,
  hosts: config.hosts,
  maxFileBytes: config.maxFileBytes,
  screens: join(dirname(createRequire(import.meta.url).resolve('@viatica/web/package.json')), 'dist'),
})
const server: Server = app.listen(config.port, config.host, (error?: Error) => {
  if (error) {
    logger.fatal(error, 'cannot listen')
    process.exit(1)
  }
  const { address, port } = server.address() as AddressInfo
  logger.info({ address, port }, 'listening')
  // Whoever started this process by fork learns the port, which may have been left to the system to choose.
  process.send?.({ port })
  if (trial)
    setUpTrialHost({ store, ...publish }, trial.id, trial.html).catch((error: unknown) =>
      logger.warn(error, 'the trial host of the demo'),
    )
})

let stopping = false
function stop(signal: string): void {
  if (stopping) return
  stopping = true
  clearInterval(clearing)
  logger.info({ signal }, 'stopping')
  setTimeout(() => process.exit(1), PATIENCE_MS).unref()
  server.close(() => {
    void publish.publisher
      .close()
      .then(() => Promise.all([database.destroy(), announcements.close(), workshop.close()]))
      .then(() => process.exit(0))
  })
  endStreams()
  server.closeIdleConnections()
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
// When whoever started this process is gone, there is nobody left to stop it.
process.on('disconnect', () => stop('disconnect'))
