import { randomBytes } from 'node:crypto'
import pg from 'pg'

/** The PostgreSQL server that tests make databases of their own on; scripts/test.mjs starts it. */
const SERVER = process.env['VIATICA_TEST_DATABASE']

export interface TestDatabase {
  readonly url: string
  /** Removes it, whoever is still connected. */
  drop(): Promise<void>
}

async function onServer(sql: string): Promise<void> {
  const client = new pg.Client({ connectionString: SERVER })
  await client.connect()
  await client.query(sql)
  await client.end()
}

/**
 * Makes a database that only one group of tests uses: empty, or a copy.
 * @param original the address of the one to copy, to which nobody is connected
 */
export async function makeDatabase(original?: string): Promise<TestDatabase> {
  if (!SERVER) throw new Error('VIATICA_TEST_DATABASE is not set: run the tests by npm test')
  const name = `test_${randomBytes(6).toString('hex')}`
  const copied = original === undefined ? '' : `template ${new URL(original).pathname.slice(1)}`
  await onServer(`create database ${name} ${copied}`)
  const url = new URL(SERVER)
  url.pathname = `/${name}`
  return { url: url.href, drop: () => onServer(`drop database ${name} with (force)`) }
}
