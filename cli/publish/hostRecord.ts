import { createHash, randomUUID } from 'node:crypto'
import {
  appendFileSync,
  closeSync,
  existsSync,
  mkdirSync,
  openSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
  writeSync,
} from 'node:fs'
import { join } from 'node:path'
import { FILE_ROLES } from '@viatica/core/publish/publication.ts'
import type { HostRecord, RecordedFile } from '@viatica/hosts/record.ts'
import * as v from 'valibot'
import { Fault } from '../fault.ts'

const recordedFile = v.strictObject({
  path: v.string(),
  digest: v.string(),
  size: v.number(),
  role: v.picklist(FILE_ROLES),
  page: v.nullable(v.string()),
  seen: v.strictObject({ size: v.number(), modified: v.number() }),
})

/** A line of the file: what is remembered of the host, and then what was done on it, one after the other. */
const lineSchema = v.union([
  v.strictObject({ host: v.string(), token: v.string() }),
  v.strictObject({ hostKey: v.string() }),
  v.strictObject({ put: recordedFile }),
  v.strictObject({ intend: v.strictObject({ path: v.string(), digest: v.string() }) }),
  v.strictObject({ removed: v.string() }),
  v.strictObject({ kept: v.strictObject({ path: v.string(), digest: v.string(), at: v.string() }) }),
])
type Line = v.InferOutput<typeof lineSchema>

/** Done once for every file of a publication: it is added at the end, and written anew when that grew long. */
const GROWN = 4

/** Whether a process is there. https://nodejs.org/api/process.html#processkillpid-signal */
function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM'
  }
}

/**
 * What is known of the files on a host, in a folder beside the site file: a line for everything that was done, so that a
 * publication that breaks off anywhere is gone on with from there.
 */
export class FileRecord implements HostRecord {
  readonly #folder: string
  readonly #file: string
  readonly #lock: string
  readonly #host: string
  #token = ''
  #hostKey = ''
  readonly #files = new Map<string, RecordedFile>()
  readonly #intended = new Map<string, string>()
  readonly #kept: Extract<Line, { kept: unknown }>[] = []
  #lines = 0
  readonly #isTrial: boolean

  /**
   * @param folder beside the site file
   * @param host how it is named
   * @param isTrial whether nothing is to be written
   * @throws Fault when somebody else publishes with it, or it cannot be read
   */
  constructor(folder: string, host: string, isTrial = false) {
    this.#folder = folder
    this.#host = host
    this.#isTrial = isTrial
    this.#file = join(folder, `${createHash('sha256').update(host).digest('hex').slice(0, 16)}.jsonl`)
    this.#lock = `${this.#file}.lock`
    if (!isTrial) this.#takeLock()
    try {
      this.#read()
    } catch (error) {
      this.close()
      throw error
    }
  }

  #takeLock(): void {
    try {
      mkdirSync(this.#folder, { recursive: true })
    } catch (error) {
      throw new Fault(`${this.#folder}: ${(error as Error).message}`)
    }
    try {
      const file = openSync(this.#lock, 'wx')
      writeSync(file, String(process.pid))
      closeSync(file)
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST')
        throw new Fault(`${this.#folder}: ${(error as Error).message}`)
      const pid = Number(readFileSync(this.#lock, 'utf8'))
      if (pid > 0 && pid !== process.pid && isRunning(pid))
        throw new Fault(`Somebody else is publishing this to ${this.#host}: wait until that is done.`)
      // Left behind by one that was killed.
      writeFileSync(this.#lock, String(process.pid))
    }
  }

  #read(): void {
    const text = existsSync(this.#file) ? readFileSync(this.#file, 'utf8') : ''
    const lines = text.split('\n')
    // What was being written when the machine went off is not whole, and was not done.
    lines.pop()
    for (const [at, line] of lines.entries()) {
      const result = v.safeParse(v.pipe(v.string(), v.parseJson(), lineSchema), line)
      if (!result.success)
        throw new Fault(`${this.#file}: line ${at + 1} cannot be read. Move the file away to begin anew.`)
      this.#take(result.output)
    }
    this.#lines = lines.length
    const isNew = this.#token === ''
    if (isNew) this.#token = randomUUID()
    if (isNew || text.length > lines.join('\n').length + 1 || this.#lines > GROWN * (this.#files.size + 8))
      this.#writeAnew()
  }

  #take(line: Line): void {
    if ('host' in line) this.#token = line.token
    else if ('hostKey' in line) this.#hostKey = line.hostKey
    else if ('put' in line) {
      this.#files.set(line.put.path, line.put)
      this.#intended.delete(line.put.path)
    } else if ('intend' in line) this.#intended.set(line.intend.path, line.intend.digest)
    else if ('removed' in line) {
      this.#files.delete(line.removed)
      this.#intended.delete(line.removed)
    } else this.#kept.push(line)
  }

  #writeAnew(): void {
    if (this.#isTrial) return
    const lines: Line[] = [
      { host: this.#host, token: this.#token },
      ...(this.#hostKey === '' ? [] : [{ hostKey: this.#hostKey }]),
      ...[...this.#files.values()].map((put) => ({ put })),
      ...[...this.#intended].map(([path, digest]) => ({ intend: { path, digest } })),
      ...this.#kept,
    ]
    const text = lines.map((line) => `${JSON.stringify(line)}\n`).join('')
    writeFileSync(`${this.#file}.part`, text)
    renameSync(`${this.#file}.part`, this.#file)
    this.#lines = lines.length
  }

  #add(line: Line): void {
    this.#take(line)
    if (!this.#isTrial) appendFileSync(this.#file, `${JSON.stringify(line)}\n`)
  }

  /** Of who publishes with it, for the lock on the host. */
  get token(): string {
    return this.#token
  }

  /** The key of the host as earlier versions remembered it, with each record; empty where none is. See `KnownKeys`. */
  get hostKey(): string {
    return this.#hostKey
  }

  files(): Promise<readonly RecordedFile[]> {
    return Promise.resolve([...this.#files.values()])
  }

  intended(): Promise<ReadonlyMap<string, string>> {
    return Promise.resolve(new Map(this.#intended))
  }

  intend(path: string, digest: string): Promise<void> {
    this.#add({ intend: { path, digest } })
    return Promise.resolve()
  }

  put({ path, digest, size, role, page, seen }: RecordedFile): Promise<void> {
    this.#add({ put: { path, digest, size, role, page, seen: { size: seen.size, modified: seen.modified } } })
    return Promise.resolve()
  }

  removed(path: string): Promise<void> {
    this.#add({ removed: path })
    return Promise.resolve()
  }

  keepAside(path: string, digest: string, bytes: Uint8Array): Promise<void> {
    if (!this.#isTrial) {
      mkdirSync(join(this.#folder, 'kept'), { recursive: true })
      writeFileSync(this.keptAt(digest), bytes)
    }
    const isKnown = this.#kept.some(({ kept }) => kept.path === path && kept.digest === digest)
    if (!isKnown) this.#add({ kept: { path, digest, at: new Date().toISOString() } })
    return Promise.resolve()
  }

  /** Where the bytes of a file of somebody else are kept. */
  keptAt(digest: string): string {
    return join(this.#folder, 'kept', digest)
  }

  close(): void {
    if (!this.#isTrial) rmSync(this.#lock, { force: true })
  }
}
