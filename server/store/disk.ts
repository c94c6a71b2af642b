import { isFull } from './room.ts'

/** What is known of the disk that the database is on. */
export class Disk {
  #isFull = false

  /** Whether the last thing that was to be stored found no room on the disk. */
  get isFull(): boolean {
    return this.#isFull
  }

  /** Does what writes to the database, here or in a thread, and remembers whether there was room for it. */
  async writing<Result>(write: () => Promise<Result>): Promise<Result> {
    try {
      const result = await write()
      this.#isFull = false
      return result
    } catch (error) {
      if (isFull(error as Error)) this.#isFull = true
      throw error
    }
  }
}
