import { setTimeout as wait } from 'node:timers/promises'
import type { Connection } from './connection/connection.ts'
import { HostFault, isLost } from './hostFault.ts'
import { send, type Sending, type Sent, Tally } from './send.ts'

/** A connection that breaks off is made again so often, with pauses that grow. */
const MOST_TRIES = 5
const PAUSE_MS = 250
/** How often it is looked whether somebody else is done on the host. */
const BUSY_MS = 2000

export interface PatientSending extends Omit<Sending, 'connection'> {
  /** Connects to the host, again after every break. @throws HostFault */
  open(): Promise<Connection>
  /** The first pause before a connection is made again. */
  readonly pauseMs?: number
  /** Hears what it waits for, in words; empty when it goes on. */
  waits(words: string): void
}

/**
 * Sends files; over a connection that breaks off, goes on; while somebody else is at work on the host, waits.
 * @throws what `send` throws, once trying again does not help
 */
export async function sendPatiently({
  open,
  waits,
  pauseMs = PAUSE_MS,
  ...sending
}: PatientSending): Promise<Sent> {
  const { signal } = sending
  const tally = new Tally()
  let told = 0
  for (let tries = 1; ;) {
    signal.throwIfAborted()
    try {
      const connection = await open()
      try {
        return await send({
          ...sending,
          connection,
          tally,
          tell: (progress) => {
            // What gets through again is a new beginning.
            if (progress.files > told) tries = 1
            told = Math.max(told, progress.files)
            waits('')
            sending.tell(progress)
          },
        })
      } finally {
        await connection.close().catch(() => undefined)
      }
    } catch (error) {
      if (error instanceof HostFault && error.kind === 'busy') {
        waits(error.message)
        await wait(BUSY_MS, undefined, { signal })
      } else if (isLost(error) && tries < MOST_TRIES) {
        waits(`${(error as Error).message} It is tried again.`)
        await wait(pauseMs * 2 ** tries++, undefined, { signal })
      } else throw error
    }
  }
}
