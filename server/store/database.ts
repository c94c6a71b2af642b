import { setTimeout as wait } from 'node:timers/promises'
import knexPackage, { type Knex } from 'knex'
import pg from 'pg'
import * as sites from './migrations/001_sites.ts'
import * as pins from './migrations/002_pins.ts'
import * as surround from './migrations/003_surround.ts'
import * as files from './migrations/004_files.ts'
import * as seen from './migrations/005_seen.ts'
import * as log from './migrations/006_log.ts'
import * as contents from './migrations/007_contents.ts'
import * as keys from './migrations/008_keys.ts'
import * as rowRoom from './migrations/009_room.ts'
import * as logText from './migrations/010_log_text.ts'
import * as foundFiles from './migrations/011_found_files.ts'
import * as included from './migrations/012_included.ts'
import * as search from './migrations/013_search.ts'
import * as publish from './migrations/014_publish.ts'
import * as includes from './migrations/015_includes.ts'
import * as sentBytes from './migrations/016_sent_bytes.ts'
import * as pageDates from './migrations/017_page_dates.ts'
import * as sessions from './migrations/018_sessions.ts'
import * as pictureSizes from './migrations/019_picture_sizes.ts'
import * as gone from './migrations/020_gone.ts'
import * as surroundKinds from './migrations/021_surround_kinds.ts'

const { types } = pg
/** A `date` stays the text `YYYY-MM-DD`: as a moment it would shift with the time zone. */
types.setTypeParser(types.builtins.DATE, (text) => text)

const MIGRATIONS: Readonly<Record<string, Knex.Migration>> = {
  '001_sites': sites,
  '002_pins': pins,
  '003_surround': surround,
  '004_files': files,
  '005_seen': seen,
  '006_log': log,
  '007_contents': contents,
  '008_keys': keys,
  '009_room': rowRoom,
  '010_log_text': logText,
  '011_found_files': foundFiles,
  '012_included': included,
  '013_search': search,
  '014_publish': publish,
  '015_includes': includes,
  '016_sent_bytes': sentBytes,
  '017_page_dates': pageDates,
  '018_sessions': sessions,
  '019_picture_sizes': pictureSizes,
  '020_gone': gone,
  '021_surround_kinds': surroundKinds,
}

/** Connects to the database (PostgreSQL, by URL). Nothing is sent before the first query. */
export function openDatabase(url: string): Knex {
  return knexPackage.knex({
    client: 'pg',
    connection: {
      connectionString: url,
      connectionTimeoutMillis: 3000,
      // A plan that was made for small tables is not kept for large ones: the check of a foreign key would read all of
      // the table for each row.
      options: '-c plan_cache_mode=force_custom_plan',
      // A site that somebody else holds up does not hold up the others with it.
      lock_timeout: 4000,
      statement_timeout: 60_000,
      idle_in_transaction_session_timeout: 60_000,
    } as Knex.PgConnectionConfig,
    pool: { min: 0, max: 10 },
    acquireConnectionTimeout: 5000,
    // Its warnings repeat errors that the callers get and log themselves.
    log: { warn: () => undefined },
  })
}

const migrationSource: Knex.MigrationSource<string> = {
  getMigrations: () => Promise.resolve(Object.keys(MIGRATIONS).sort()),
  getMigrationName: (name) => name,
  getMigration: (name) => Promise.resolve(MIGRATIONS[name]!),
}

/** Brings the tables up to date. Several servers may call it at once: one waits for the other. */
export async function migrate(database: Knex): Promise<void> {
  await database.migrate.latest({ migrationSource })
}

/** How long a server waits at its start for the database. */
const START_MS = 30_000

/**
 * Waits until the database answers.
 * @param tell hears once why it does not
 * @throws why it does not, when that has taken too long
 */
export async function answering(database: Knex, tell: (error: unknown) => void): Promise<void> {
  const until = Date.now() + START_MS
  for (let tries = 0; ; tries++) {
    try {
      await database.raw('select 1')
      return
    } catch (error) {
      if (Date.now() > until) throw error
      if (tries === 0) tell(error)
      await wait(500)
    }
  }
}

/** The number that servers agree on for what one of them does at a time. */
const ALONE = 724_100_311

/** Does something while no other server does: the others wait. */
export async function alone(database: Knex, work: () => Promise<void>): Promise<void> {
  await database.transaction(async (trx) => {
    await trx.raw('set local lock_timeout = 0')
    await trx.raw('select pg_advisory_xact_lock(?)', [ALONE])
    await work()
  })
}
