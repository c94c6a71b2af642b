import type { Client } from 'basic-ftp'
import type { HostLimits } from '../limits.ts'
import { HostFault } from '../hostFault.ts'
import { connectFtp, type FtpAccess } from './ftpAccess.ts'

/** FTP does one thing at a time on a connection: so many are opened at most. Hosts often allow no more than five. */
export const MOST_CONNECTIONS = 3

/** The connections to one host, each used by one thing at a time. */
export class FtpPool {
  readonly #access: FtpAccess
  readonly #limits: HostLimits
  readonly #all: Set<Client>
  readonly #idle: Client[]
  readonly #waiting: (() => void)[] = []
  #most = MOST_CONNECTIONS
  #opening = 0

  /** @param first the connection that was made already */
  constructor(access: FtpAccess, first: Client, limits: HostLimits) {
    this.#access = access
    this.#limits = limits
    this.#all = new Set([first])
    this.#idle = [first]
  }

  /** A connection that nobody uses: one that is there, another where the host gives one, else the first that is free. */
  async take(): Promise<Client> {
    for (;;) {
      const free = this.#idle.pop()
      if (free && !free.closed) return free
      if (free) this.#all.delete(free)
      else if (this.#all.size + this.#opening < this.#most) {
        const another = await this.#open()
        if (another) return another
      } else await new Promise<void>((resolve) => this.#waiting.push(resolve))
    }
  }

  /** @returns undefined where the host gives no more than there are @throws HostFault `lost` when there is none any more */
  async #open(): Promise<Client | undefined> {
    this.#opening++
    try {
      const { client } = await connectFtp(this.#access, this.#limits)
      this.#all.add(client)
      return client
    } catch (error) {
      if (this.#all.size === 0)
        throw new HostFault('lost', `The connection broke off. ${(error as HostFault).message}`)
      this.#most = this.#all.size
      return undefined
    } finally {
      this.#opening--
      this.#waiting.shift()?.()
    }
  }

  giveBack(client: Client): void {
    if (client.closed) this.#all.delete(client)
    else this.#idle.push(client)
    this.#waiting.shift()?.()
  }

  /** Says goodbye on all of them. */
  close(): Promise<void> {
    for (const client of this.#all) client.close()
    return Promise.resolve()
  }
}
