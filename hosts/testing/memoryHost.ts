import type { Connection, FileSeen, FolderSeen } from '../connection/connection.ts'
import { HostFault } from '../hostFault.ts'

/** Where a connection breaks off: before what is asked is done, or after, so that only the answer is lost. */
export interface Cut {
  readonly after: number
  readonly isDone: boolean
}

/** A host in memory: what visitors can get is looked at after everything that is done on it. */
export class MemoryHost {
  readonly files = new Map<string, { bytes: Uint8Array; modified: number }>()
  readonly folders = new Set<string>([''])
  /** Counts what was asked of it. */
  operations = 0
  /** Called whenever something on it has changed. */
  changed: () => void = () => undefined
  #clock = 1000

  constructor(
    readonly options: {
      readonly foldsCase?: boolean
      readonly losesUploads?: boolean
      readonly forbidsRenaming?: boolean
      readonly room?: number
    } = {},
  ) {}

  /** What somebody does there by hand. */
  putByHand(path: string, text: string): void {
    this.files.set(path, { bytes: new TextEncoder().encode(text), modified: (this.#clock += 10) })
  }

  #find(path: string): string {
    if (!this.options.foldsCase) return path
    const wanted = path.toLowerCase()
    return [...this.files.keys(), ...this.folders].find((one) => one.toLowerCase() === wanted) ?? path
  }

  #parentIsThere(path: string): boolean {
    return this.folders.has(this.#find(path.slice(0, Math.max(0, path.lastIndexOf('/')))))
  }

  connect(cut?: Cut): Connection {
    let asked = 0
    const lost = () => new HostFault('lost', 'The connection broke off.')
    const ask = <Result>(work: () => Result): Promise<Result> =>
      Promise.resolve().then(() => {
        this.operations++
        asked++
        if (cut && asked > cut.after + 1) throw lost()
        if (cut && asked === cut.after + 1) {
          if (cut.isDone) work()
          throw lost()
        }
        return work()
      })
    const see = (path: string): FileSeen | undefined => {
      const file = this.files.get(this.#find(path))
      return file && { size: file.bytes.length, modified: file.modified }
    }
    return {
      atOnce: 3,
      list: (folder) =>
        ask(() => {
          if (!this.folders.has(this.#find(folder))) return undefined
          const start = folder === '' ? '' : `${this.#find(folder)}/`
          const files = new Map<string, FileSeen>()
          const folders = new Set<string>()
          for (const path of this.files.keys())
            if (path.startsWith(start) && !path.slice(start.length).includes('/'))
              files.set(path.slice(start.length), see(path)!)
          for (const path of this.folders)
            if (path !== '' && path.startsWith(start) && !path.slice(start.length).includes('/'))
              folders.add(path.slice(start.length))
          return { files, folders } satisfies FolderSeen
        }),
      see: (path) => ask(() => see(path)),
      read: (path) => ask(() => this.files.get(this.#find(path))!.bytes),
      write: (path, bytes) =>
        ask(() => {
          if (!this.#parentIsThere(path)) throw new HostFault('folder', `There is no folder for ${path}.`)
          const used = [...this.files.values()].reduce((sum, file) => sum + file.bytes.length, 0)
          const left = (this.options.room ?? Infinity) - used
          if (bytes.length > left) {
            // As a disk does: what found room stays.
            this.files.set(path, {
              bytes: bytes.subarray(0, Math.max(0, left)),
              modified: (this.#clock += 10),
            })
            throw new HostFault('not stored', `There is no room for ${path}.`)
          }
          if (!this.options.losesUploads || path.startsWith('.publishing'))
            this.files.set(path, { bytes, modified: (this.#clock += 10) })
          this.changed()
        }),
      rename: (from, to) =>
        ask(() => {
          if (this.options.forbidsRenaming) throw new HostFault('rights', 'Renaming is not allowed.')
          if (this.folders.has(this.#find(to))) throw new HostFault('in the way', `${to} is a folder.`)
          const file = this.files.get(from)!
          this.files.delete(from)
          this.files.delete(this.#find(to))
          this.files.set(to, file)
          this.changed()
        }),
      remove: (path) =>
        ask(() => {
          if (!this.files.delete(this.#find(path))) throw new HostFault('folder', `There is no ${path}.`)
          this.changed()
        }),
      makeFolder: (path) =>
        ask(() => {
          if (this.folders.has(this.#find(path)) || this.files.has(this.#find(path)))
            throw new HostFault('in the way', `${path} is there.`)
          this.folders.add(path)
        }),
      removeFolder: (path) =>
        ask(() => {
          const isEmpty = ![...this.files.keys(), ...this.folders].some((one) => one.startsWith(`${path}/`))
          if (isEmpty) this.folders.delete(path)
        }),
      close: () => Promise.resolve(),
    }
  }
}
