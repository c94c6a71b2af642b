import { makeDatabase } from '@viatica/server/testing/database.ts'
import { startServer } from './server.ts'

const SETTING = 'VIATICA_ORIGINAL_DATABASE'

/** A database as a server makes it that is started for the first time: each server gets a copy. */
export const originalDatabase = () => process.env[SETTING]

/** Runs once, before all tests. @returns what runs after them */
export default async function makeOriginal(): Promise<() => Promise<void>> {
  const database = await makeDatabase()
  const { child } = await startServer(database.url, 0)
  const stopped = new Promise((resolve) => child.once('exit', resolve))
  child.kill('SIGTERM')
  await stopped
  process.env[SETTING] = database.url
  return () => database.drop()
}
