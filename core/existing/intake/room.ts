import { isPageName, MAX_PAGE_BYTES } from './folderFiles.ts'

/** What can be imported at once: files, and the bytes of all of them. */
export const MOST_FILES = 5000
export const MOST_BYTES = 200_000_000
/** The bytes of all pages that are read: that takes some fifty times as much memory, and a browser gives 4 GB. */
export const MOST_PAGE_BYTES = 50_000_000

const megabytes = (bytes: number) => `${bytes / 1_000_000} MB`

/** Counts the files that are to be imported, before they are read. */
export class Room {
  #files = 0
  #bytes = 0
  #pageBytes = 0

  /** Counts a file. @returns why there is no room for it and those before it, in words for the author */
  take(path: string, bytes: number): string | undefined {
    this.#files++
    this.#bytes += bytes
    // A larger one is kept as it is.
    if (isPageName(path) && bytes <= MAX_PAGE_BYTES) this.#pageBytes += bytes
    if (this.#files > MOST_FILES)
      return `There are more than ${MOST_FILES} files. Import a part of the folder.`
    if (this.#bytes > MOST_BYTES)
      return `The files have more than ${megabytes(MOST_BYTES)} together. Import a part of the folder.`
    if (this.#pageBytes > MOST_PAGE_BYTES)
      return `The pages have more than ${megabytes(MOST_PAGE_BYTES)} of HTML together. Import a part of the folder.`
    return undefined
  }

  /** Counts files that are known beforehand. @returns why there is no room for all of them */
  takeAll(files: Iterable<{ readonly path: string; readonly size: number }>): string | undefined {
    for (const { path, size } of files) {
      const refusal = this.take(path, size)
      if (refusal !== undefined) return refusal
    }
    return undefined
  }
}
