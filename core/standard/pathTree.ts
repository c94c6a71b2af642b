import { folderKeys, nameKey } from './fileName.ts'

/** What is in the way of a file: a file of that name, a folder of that name, or a file where one of its folders would be. */
export type InTheWay = 'file' | 'folder' | 'above'

/**
 * The paths of files, each with what it is. On a disk no path is the folder of another, and letter case does not count
 * (`nameKey`): everything that gets a path is checked against such a tree.
 */
export class PathTree<Value> {
  readonly #files = new Map<string, Value>()
  readonly #folders = new Set<string>()

  /** Adds a file with its folders; one at the same path gives way to it. */
  put(path: string, value: Value): void {
    const key = nameKey(path)
    this.#files.set(key, value)
    this.#putFolders(key)
  }

  /** Adds a folder. @param path without a slash at its end */
  putFolder(path: string): void {
    const key = nameKey(path)
    if (this.#folders.has(key)) return
    this.#folders.add(key)
    this.#putFolders(key)
  }

  #putFolders(key: string): void {
    for (const folder of folderKeys(key)) {
      if (this.#folders.has(folder)) break
      this.#folders.add(folder)
    }
  }

  /** Returns what the file at a path is; undefined where there is none. */
  at(path: string): Value | undefined {
    return this.#files.get(nameKey(path))
  }

  hasFile(path: string): boolean {
    return this.#files.has(nameKey(path))
  }

  hasFolder(path: string): boolean {
    return this.#folders.has(nameKey(path))
  }

  /** Returns the key of the nearest file that a folder of a path would be; undefined where there is none. */
  fileAbove(path: string): string | undefined {
    for (const folder of folderKeys(nameKey(path))) if (this.#files.has(folder)) return folder
    return undefined
  }

  /** Returns what is in the way of a file at a path; undefined where it can be. */
  inTheWay(path: string): InTheWay | undefined {
    if (this.hasFile(path)) return 'file'
    if (this.hasFolder(path)) return 'folder'
    return this.fileAbove(path) === undefined ? undefined : 'above'
  }
}
