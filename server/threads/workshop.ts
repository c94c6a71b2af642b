import { availableParallelism } from 'node:os'
import { MessageChannel, type MessagePort } from 'node:worker_threads'
import { fileURLToPath } from 'node:url'
import { Piscina } from 'piscina'
import { Problem } from '../http/problem.ts'
import type { Prepared } from '../publish/prepare.ts'
import type { Reading, ReadTask } from './readTasks.ts'
import { type Outcome, resultOf } from './outcome.ts'
import type { Shown, ShowTask, WayBackTask } from './showTasks.ts'
import type { ArchiveTask, CreateTask, FromPublication, PinTask, PrepareTask } from './writeTasks.ts'

/** A thread that needs more memory than this is ended. */
const MOST_MEGABYTES = 600
/** Reading what comes in takes no longer than this. */
const READING_MS = 20_000
/** Writing one page takes no longer than this, reading its site included. */
const SHOWING_MS = 20_000
/** Comparing a point in the history takes no longer than this. */
const COMPARING_MS = 60_000
/** Threads that have nothing to do are kept for a while: starting one takes longer than most of what they do. */
const IDLE_MS = 30_000

type RunOptions = NonNullable<Parameters<Piscina['run']>[1]>

/**
 * Threads that are started when there is something to do, and end some time after there is nothing: one that wrote a large
 * site holds much memory.
 */
class Threads {
  #pool: Piscina | undefined
  #running = 0
  #rest: NodeJS.Timeout | undefined

  constructor(
    private readonly file: 'read' | 'write' | 'show',
    private readonly most: number,
  ) {}

  #start(): Piscina {
    return new Piscina({
      filename: fileURLToPath(new URL(`./${this.file}.mjs`, import.meta.url)),
      // One that was ended with others in line is replaced only up to this number.
      minThreads: 1,
      maxThreads: this.most,
      idleTimeout: IDLE_MS,
      resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES },
    })
  }

  /** Starts a thread for a task that is about to come. */
  begin(): void {
    this.#pool ??= this.#start()
    if (this.#running === 0) this.#restLater()
  }

  #restLater(): void {
    clearTimeout(this.#rest)
    this.#rest = setTimeout(() => void this.end(), IDLE_MS).unref()
  }

  async run(task: object, options: RunOptions): Promise<unknown> {
    clearTimeout(this.#rest)
    const pool = (this.#pool ??= this.#start())
    this.#running++
    try {
      return (await pool.run(task, options)) as unknown
    } finally {
      if (--this.#running === 0) this.#restLater()
    }
  }

  /** Ends all threads, whatever they do. */
  async end(): Promise<void> {
    clearTimeout(this.#rest)
    const pool = this.#pool
    this.#pool = undefined
    await pool?.destroy()
  }

  /** Ends all threads when what they do is done. */
  async close(): Promise<void> {
    clearTimeout(this.#rest)
    await this.#pool?.close()
  }
}

/** The memory of bytes that are nobody else's, so that it is handed over rather than copied. */
function ownBuffer({ buffer, byteLength }: Uint8Array): ArrayBuffer[] {
  return buffer instanceof ArrayBuffer && buffer.byteLength === byteLength ? [buffer] : []
}

/** What came of a task that was ended from outside. @param what did not come to its end, and what may help */
function problemOfEnd(error: Error & { code?: unknown }, what: Readonly<Record<'slow' | 'large', string>>) {
  if (error.name === 'AbortError' || error.name === 'TimeoutError')
    return new Problem(422, 'Takes too long', what.slow)
  if (error.code === 'ERR_WORKER_OUT_OF_MEMORY') return new Problem(413, 'Too large', what.large)
  return error
}

const READING = {
  slow: 'What was sent takes too long to read. Send it in smaller parts.',
  large: 'What was sent needs too much memory to read. Send it in smaller parts.',
}
const COMPARING = {
  slow: 'This point in the history takes too long to compare with the site.',
  large: 'This point in the history needs too much memory to compare with the site.',
}
const SHOWING = {
  slow: 'This page takes too long to write. Its text, or what is around it, may be too large.',
  large: 'This page needs too much memory to write. Its text, or what is around it, may be too large.',
}

/**
 * Heavy work, in threads of its own with limits of time and memory: whatever comes in, other requests go on. Reading
 * and writing do not wait for each other.
 */
export class Workshop {
  readonly #databaseUrl: string
  readonly #reading = new Threads('read', 2)
  /** Archives take long: they leave a processor to the requests. */
  readonly #writing = new Threads('write', Math.min(2, Math.max(1, availableParallelism() - 1)))
  /** Imports and pins. Separate from archives, which occupy their thread until the client has fetched them. */
  readonly #storing = new Threads('write', 1)
  /** It remembers the sites that it showed: there is one of it. */
  readonly #showing = new Threads('show', 1)

  /** @param databaseUrl what threads read sites from that they write */
  constructor(databaseUrl: string) {
    this.#databaseUrl = databaseUrl
  }

  /** Reads what came in. @throws Problem, InputFault or ValiError's words as a Problem */
  async read<Task extends ReadTask>(task: Task): Promise<Reading<Task>> {
    let outcome
    try {
      outcome = (await this.#reading.run(task, {
        name: 'read',
        signal: AbortSignal.timeout(READING_MS),
        // The bytes of a file are kept afterwards; nobody needs the others again.
        transferList: task.kind === 'file' ? [] : ownBuffer(task.bytes),
      })) as Outcome<Reading<Task>>
    } catch (error) {
      throw problemOfEnd(error as Error, READING)
    }
    return resultOf(outcome)
  }

  /** Writes the archive of a site to the other end of a port, as the task says; ends early when that end is closed. */
  async archive(task: Omit<ArchiveTask, 'databaseUrl'>, port: MessagePort): Promise<void> {
    await this.#writing.run(
      { ...task, databaseUrl: this.#databaseUrl, port },
      { name: 'archive', transferList: [port] },
    )
  }

  /** Stores a new site. @param site as it was read @param name that it gets; undefined for its own @returns its id */
  async create(site: Uint8Array, name: string | undefined, mostBytes: number): Promise<string> {
    const task: Omit<CreateTask, 'databaseUrl'> = { site, name, mostBytes }
    return resultOf(
      (await this.#storing.run(
        { ...task, databaseUrl: this.#databaseUrl },
        { name: 'create', transferList: ownBuffer(site) },
      )) as Outcome<string>,
    )
  }

  /** Pins pages of a site at the addresses that they were published at. @throws Problem where somebody changed them */
  async pin(task: Omit<PinTask, 'databaseUrl'>): Promise<void> {
    const all = { ...task, databaseUrl: this.#databaseUrl }
    resultOf((await this.#storing.run(all, { name: 'pin' })) as Outcome<void>)
  }

  /**
   * Prepares a publication: calculates its files and, with `keepFor`, stores their bytes.
   * @param tell hears how far it is
   * @param signal stops it
   */
  async publication(
    task: Omit<PrepareTask, 'databaseUrl'>,
    tell: (files: number, allFiles: number) => void = () => undefined,
    signal?: AbortSignal,
  ): Promise<Prepared> {
    const { port1, port2: port } = new MessageChannel()
    let isOver = false
    port1.on('message', ({ files, allFiles }: FromPublication) => isOver || tell(files, allFiles))
    const stop = () => port1.close()
    signal?.addEventListener('abort', stop, { once: true })
    if (signal?.aborted) stop()
    try {
      const all = { ...task, databaseUrl: this.#databaseUrl, port }
      return resultOf(
        (await this.#writing.run(all, { name: 'publication', transferList: [port] })) as Outcome<Prepared>,
      )
    } finally {
      isOver = true
      signal?.removeEventListener('abort', stop)
      port1.close()
    }
  }

  /** Starts the preview thread: opening a site requests a preview next. */
  beginShowing(): void {
    this.#showing.begin()
  }

  /** Writes a page for a preview, or finds a file. @throws Problem for one that takes too long or too much */
  async show(task: Omit<ShowTask, 'databaseUrl'>): Promise<Shown> {
    let outcome
    try {
      outcome = (await this.#showing.run(
        { ...task, databaseUrl: this.#databaseUrl },
        { name: 'show', signal: AbortSignal.timeout(SHOWING_MS) },
      )) as Outcome<Shown>
    } catch (error) {
      throw problemOfEnd(error as Error, SHOWING)
    }
    return resultOf(outcome)
  }

  /** Compares a point in the history of a site with now. @returns JSON, in UTF-8 @throws Problem */
  async wayBack(task: Omit<WayBackTask, 'databaseUrl'>): Promise<Uint8Array> {
    let outcome
    try {
      outcome = (await this.#showing.run(
        { ...task, databaseUrl: this.#databaseUrl },
        { name: 'wayBack', signal: AbortSignal.timeout(COMPARING_MS) },
      )) as Outcome<Uint8Array>
    } catch (error) {
      throw problemOfEnd(error as Error, COMPARING)
    }
    return resultOf(outcome)
  }

  /** Ends when the archives that are being written have ended. */
  async close(): Promise<void> {
    await Promise.all([
      this.#reading.end(),
      this.#showing.end(),
      this.#storing.close(),
      this.#writing.close(),
    ])
  }
}
