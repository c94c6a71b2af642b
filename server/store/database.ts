import knexPackage, { type Knex } from 'knex'
import pg from 'pg'
import * as sites from './migrations/001_sites.ts'
import * as pins from './migrations/002_pins.ts'

const { types } = pg
/** A `date` stays the text `YYYY-MM-DD`: as a moment it would shift with the time zone. */
types.setTypeParser(types.builtins.DATE, (text) => text)

const MIGRATIONS: Readonly<Record<string, Knex.Migration>> = {
  '001_sites': sites,
  '002_pins': pins,
}

/** Connects to the database (PostgreSQL, by URL). Nothing is sent before the first query. */
export function openDatabase(url: string): Knex {
  return knexPackage.knex({
    client: 'pg',
    connection: { connectionString: url, connectionTimeoutMillis: 3000 },
    pool: { min: 0, max: 10 },
    acquireConnectionTimeout: 5000,
    // Its warnings repeat errors that the callers get and log themselves.
    log: { warn: () => undefined },
  })
}

/** Brings the tables up to date. Several servers may call it at once: one waits for the other. */
export async function migrate(database: Knex): Promise<void> {
  await database.migrate.latest({
    migrationSource: {
      getMigrations: () => Promise.resolve(Object.keys(MIGRATIONS).sort()),
      getMigrationName: (name: string) => name,
      getMigration: (name: string) => Promise.resolve(MIGRATIONS[name]!),
    },
  })
}
