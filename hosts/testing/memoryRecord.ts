import type { HostRecord, RecordedFile } from '../record.ts'

/** A record in memory. */
export class MemoryRecord implements HostRecord {
  readonly rows = new Map<string, RecordedFile>()
  readonly aside = new Map<string, Uint8Array>()
  readonly #intended = new Map<string, string>()

  files = () => Promise.resolve([...this.rows.values()])
  intended = () => Promise.resolve(new Map(this.#intended))
  intend = (path: string, digest: string) => Promise.resolve(void this.#intended.set(path, digest))
  put(file: RecordedFile): Promise<void> {
    this.rows.set(file.path, file)
    this.#intended.delete(file.path)
    return Promise.resolve()
  }
  removed(path: string): Promise<void> {
    this.rows.delete(path)
    this.#intended.delete(path)
    return Promise.resolve()
  }
  keepAside = (path: string, _digest: string, bytes: Uint8Array) =>
    Promise.resolve(void this.aside.set(path, bytes))
}
