import { ipKeyGenerator, MemoryStore, type Options } from 'express-rate-limit'
import { Problem } from './problem.ts'

/** Wrong keys count for this long, in milliseconds. */
const WINDOW_MS = 10 * 60_000
/** So many wrong keys one address may send within this time. */
const MOST_OF_ONE = 10
/** So many all addresses may send together; after that, each address has one try. */
const MOST_IN_ALL = 100
const ALL = 'all'

function counter(): MemoryStore {
  const store = new MemoryStore()
  store.init({ windowMs: WINDOW_MS } as Options)
  return store
}

/**
 * Counts wrong access keys, however they are sent, and refuses further attempts from an address with many of them, or from
 * every address with one when there are many in all. The right key still works from an address that sent no wrong one.
 */
export class WrongKeys {
  readonly #ofOne = counter()
  readonly #inAll = counter()

  /** Whether nothing more is accepted from an address. */
  async #isRefused(address: string): Promise<boolean> {
    const own = (await this.#ofOne.get(address))?.totalHits ?? 0
    const all = (await this.#inAll.get(ALL))?.totalHits ?? 0
    return own >= (all >= MOST_IN_ALL ? 1 : MOST_OF_ONE)
  }

  /**
   * Checks a key that came from an address.
   * @param isRight whether it is the access key
   * @throws Problem 401 for a wrong key, 429 for an address that sent too many
   */
  async check(ip: string | undefined, isRight: boolean): Promise<void> {
    // One host can have all addresses of an IPv6 network.
    const address = ipKeyGenerator(ip ?? '')
    if (await this.#isRefused(address))
      throw new Problem(
        429,
        'Too many wrong keys',
        'Too many wrong keys were sent. Try again in ten minutes.',
      )
    if (isRight) return
    await Promise.all([this.#ofOne.increment(address), this.#inAll.increment(ALL)])
    throw new Problem(401, 'Wrong key', 'This is not the access key.')
  }
}
