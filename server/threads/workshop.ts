import { availableParallelism } from 'node:os'
import type { MessagePort } from 'node:worker_threads'
import { fileURLToPath } from 'node:url'
import { Piscina } from 'piscina'
import { Problem } from '../http/problem.ts'
import type { Prepared } from '../publish/prepare.ts'
import type { Reading, ReadTask } from './readTasks.ts'
import type { ArchiveTask, PrepareTask } from './writeTasks.ts'

/** A thread that needs more memory than this is ended. */
const MOST_MEGABYTES = 600
/** Reading what comes in takes no longer than this. */
const READING_MS = 20_000
/** Threads that have nothing to do are kept for a while: starting one takes longer than most of what they do. */
const IDLE_MS = 60_000

/** At least one thread stays: one that was ended with others in line is replaced only up to this number. */
function poolOf(thread: 'read' | 'write', most: number): Piscina {
  return new Piscina({
    filename: fileURLToPath(new URL(`./${thread}.mjs`, import.meta.url)),
    minThreads: 1,
    maxThreads: most,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES },
  })
}

/** The memory of bytes that are nobody else's, so that it is handed over rather than copied. */
function ownBuffer({ buffer, byteLength }: Uint8Array): ArrayBuffer[] {
  return buffer instanceof ArrayBuffer && buffer.byteLength === byteLength ? [buffer] : []
}

/** What came of a task that was ended from outside. */
function problemOfEnd(error: Error & { code?: unknown }): Error {
  if (error.name === 'AbortError' || error.name === 'TimeoutError')
    return new Problem(
      422,
      'Takes too long',
      'What was sent takes too long to read. Send it in smaller parts.',
    )
  if (error.code === 'ERR_WORKER_OUT_OF_MEMORY')
    return new Problem(
      413,
      'Too large',
      'What was sent needs too much memory to read. Send it in smaller parts.',
    )
  return error
}

/**
 * Heavy work, in threads of its own with limits of time and memory: whatever comes in, other requests go on. Reading
 * and writing do not wait for each other.
 */
export class Workshop {
  readonly #databaseUrl: string
  readonly #reading = poolOf('read', 2)
  #pool: Piscina | undefined

  /** @param databaseUrl what threads read sites from that they write */
  constructor(databaseUrl: string) {
    this.#databaseUrl = databaseUrl
  }

  /** Started when something is to be written. Archives take long: they leave a processor to the requests. */
  get #writing(): Piscina {
    return (this.#pool ??= poolOf('write', Math.min(2, Math.max(1, availableParallelism() - 1))))
  }

  /** Reads what came in. @throws Problem, InputFault or ValiError's words as a Problem */
  async read<Task extends ReadTask>(task: Task): Promise<Reading<Task>> {
    let result
    try {
      result = (await this.#reading.run(task, {
        name: 'read',
        signal: AbortSignal.timeout(READING_MS),
        // The bytes of a file are kept afterwards; nobody needs the others again.
        transferList: task.kind === 'file' ? [] : ownBuffer(task.bytes),
      })) as { readonly read: Reading<Task> } | { readonly problem: ConstructorParameters<typeof Problem> }
    } catch (error) {
      throw problemOfEnd(error as Error)
    }
    if ('problem' in result) throw new Problem(...result.problem)
    return result.read
  }

  /** Writes the archive of a site to the other end of a port, as the task says; ends early when that end is closed. */
  async archive(task: Omit<ArchiveTask, 'databaseUrl'>, port: MessagePort): Promise<void> {
    await this.#writing.run(
      { ...task, databaseUrl: this.#databaseUrl, port },
      { name: 'archive', transferList: [port] },
    )
  }

  /** Works out what a site would publish; where that is asked for, all of its bytes are kept. */
  async publication(task: Omit<PrepareTask, 'databaseUrl'>): Promise<Prepared> {
    return (await this.#writing.run(
      { ...task, databaseUrl: this.#databaseUrl },
      { name: 'publication' },
    )) as Prepared
  }

  /** Ends when the archives that are being written have ended. */
  async close(): Promise<void> {
    await Promise.all([this.#reading.destroy(), this.#pool?.close()])
  }
}
