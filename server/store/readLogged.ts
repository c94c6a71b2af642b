import { type Change, readChange } from '@viatica/core/plan/change/change.ts'
import { readJson } from '../slicedJson.ts'
import type { Reading, ReadTask } from '../threads/readTasks.ts'

/** Reads a change from the JSON that was stored: see `readChange`. */
export type LogReader = (json: string) => Promise<Change>

/** Threads in which something is read. */
interface Threads {
  read<Task extends ReadTask>(task: Task): Promise<Reading<Task>>
}

/** A change of so many characters is read in less time than handing it to a thread would take. */
const SHORT = 20_000

/** Reads a change in this thread, however long it is. */
export const readLogged: LogReader = (json) => Promise.resolve(readChange(JSON.parse(json)))

/** Reads long changes in a thread of the workshop, so that no other request waits. */
export const readLoggedIn =
  (threads: Threads): LogReader =>
  async (json) => {
    if (json.length <= SHORT) return readLogged(json)
    return (await readJson(await threads.read({ kind: 'change', bytes: Buffer.from(json) }))) as Change
  }
