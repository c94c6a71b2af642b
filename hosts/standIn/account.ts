import { timingSafeEqual } from 'node:crypto'
import { type FileHandle, open } from 'node:fs/promises'
import { join, normalize } from 'node:path/posix'
import { setTimeout as wait } from 'node:timers/promises'
import type { Trouble } from '@viatica/core/protocol/publishRequests.ts'

/** Whom the stand-in host lets in, and to which folder of this machine. */
export interface Account {
  readonly folder: string
  readonly user: string
  readonly password: string
  trouble(): Trouble
}

const same = (a: string, b: string) =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b))

/** Whether somebody is let in. */
export const letsIn = ({ user, password, trouble }: Account, name: string, given: string): boolean =>
  !trouble().refusesLogin && same(name, user) && same(given, password)

/** There is no room, as the host was told to say. */
export class NoRoom extends Error {}

/** The files of the host for one who is connected, with the trouble that was asked for. */
export class VisitorFiles {
  readonly #account: Account
  #taken = 0

  constructor(account: Account) {
    this.#account = account
  }

  /** Where a file is on this machine: a path never leads out of the folder. */
  at(path: string): string {
    return join(this.#account.folder, normalize(join('/', path)))
  }

  /** Ends when the host is as slow as it was told to be. */
  async dawdle(): Promise<void> {
    const { slowMs } = this.#account.trouble()
    if (slowMs > 0) await wait(slowMs)
  }

  /**
   * Opens a file to be written.
   * @returns undefined where what is written is to be lost
   * @throws NoRoom
   */
  async openToWrite(path: string, mode: string): Promise<FileHandle | undefined> {
    const { isFull, losesUploads } = this.#account.trouble()
    // Locks are small and needed: it is the files of the site that are in trouble.
    const isLock = path.includes('/.publishing/')
    if (isFull && !isLock) throw new NoRoom()
    return losesUploads && !isLock ? undefined : open(this.at(path), mode, 0o644)
  }

  /** Counts bytes that are sent. @returns whether the connection holds */
  holdsAfter(bytes: number): boolean {
    this.#taken += bytes
    const { cutAfterBytes } = this.#account.trouble()
    return cutAfterBytes === 0 || this.#taken <= cutAfterBytes
  }
}
