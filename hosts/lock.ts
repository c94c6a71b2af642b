import { setTimeout as wait } from 'node:timers/promises'
import type { Connection } from './connection/connection.ts'
import { HostFault } from './hostFault.ts'

/** Stands on a host while somebody publishes: making a folder is what all hosts do as one. */
const FOLDER = '.publishing'
const SINCE = `${FOLDER}/since`
/** A lock is said to hold so often, and counts as left behind when nothing was said for so long. */
const SAY_MS = 60_000
const LEFT_MS = 5 * 60_000
/** How long whoever makes a lock may take to say so. */
export const PATIENCE_MS = 3000

export interface Lock {
  /** Says that it holds, where that was not said for a while. */
  hold(): Promise<void>
  release(): Promise<void>
}

const TEXT = /^(\S+) (\S+)$/

/**
 * Keeps others from publishing to a host at the same time: other servers, and the command line.
 * @param token of who publishes: a lock of the same is one that broke off
 * @throws HostFault `busy` while somebody else publishes
 */
export async function lockHost(connection: Connection, token: string, patienceMs: number): Promise<Lock> {
  const now = Date.now
  let said = 0
  const say = async () => {
    said = now()
    await connection.write(SINCE, new TextEncoder().encode(`${token} ${new Date(said).toISOString()}`))
  }
  const read = async () => {
    if (!(await connection.see(SINCE))) return undefined
    const [, by, since = ''] = TEXT.exec(new TextDecoder().decode(await connection.read(SINCE))) ?? []
    return by === undefined ? undefined : { by, since: Date.parse(since) }
  }
  try {
    await connection.makeFolder(FOLDER)
  } catch (error) {
    if (error instanceof HostFault && error.kind === 'lost') throw error
    // That there is a folder already is told in many ways: it is looked for.
    const top = await connection.list('')
    if (!top?.folders.has(FOLDER)) throw error
    let held = await read()
    if (!held) {
      await wait(patienceMs)
      held = await read()
    }
    if (held && held.by !== token && now() - held.since < LEFT_MS)
      throw new HostFault('busy', 'Somebody else is publishing to this host: wait until that is done.')
  }
  await say()
  return {
    hold: async () => {
      if (now() - said >= SAY_MS) await say()
    },
    release: async () => {
      await connection.remove(SINCE)
      await connection.removeFolder(FOLDER)
    },
  }
}

/** Whether names that differ by case alone are the same file on a host that is locked. */
export const foldsCase = async (connection: Connection): Promise<boolean> =>
  (await connection.see(SINCE.toUpperCase())) !== undefined
