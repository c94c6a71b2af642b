import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import * as v from 'valibot'
import { Fault } from '../fault.ts'

/** The approved SSH host keys, by `server:port`: a key belongs to both, not to a user or a folder. */
const fileSchema = v.record(v.string(), v.string())

/** The approved host keys of a site file, in the folder of its records. */
export class KnownKeys {
  readonly #folder: string
  readonly #file: string
  readonly #isTrial: boolean

  /** @param isTrial whether nothing may be written */
  constructor(folder: string, isTrial: boolean) {
    this.#folder = folder
    this.#file = join(folder, 'host-keys.json')
    this.#isTrial = isTrial
  }

  #read(): Map<string, string> {
    if (!existsSync(this.#file)) return new Map()
    const result = v.safeParse(
      v.pipe(v.string(), v.parseJson(), fileSchema),
      readFileSync(this.#file, 'utf8'),
    )
    if (!result.success)
      throw new Fault(`${this.#file} cannot be read. Delete it to approve the keys of your hosts again.`)
    return new Map(Object.entries(result.output))
  }

  /** Returns the fingerprint of a server; undefined where none was approved. @throws Fault */
  of(place: string): string | undefined {
    return this.#read().get(place)
  }

  /** Remembers the fingerprint of a server. @throws Fault */
  remember(place: string, fingerprint: string): void {
    if (this.#isTrial || this.of(place) === fingerprint) return
    const all = this.#read().set(place, fingerprint)
    mkdirSync(this.#folder, { recursive: true })
    writeFileSync(`${this.#file}.part`, `${JSON.stringify(Object.fromEntries(all), null, 2)}\n`)
    renameSync(`${this.#file}.part`, this.#file)
  }
}
