import { createHash, randomBytes } from 'node:crypto'
import type { Knex } from 'knex'

/** A browser stays signed in for this long. */
const LASTS_MS = 30 * 24 * 3_600_000
/** What the database said of a session is believed for this long: another server may have ended it. */
const KNOWN_MS = 5000
/** Sessions that are remembered at once, at most. */
const MOST_KNOWN = 10_000

const digestOf = (token: string): Buffer => createHash('sha256').update(token).digest()

interface Known {
  readonly id: string | undefined
  readonly until: number
}

/** The sessions of signed-in browsers, in the database: they outlive the server, and end for all servers at sign-out. */
export class Sessions {
  /** By the token in hexadecimal, or by `id` and an id. */
  readonly #known = new Map<string, Known>()
  /** How many sessions have ended here: what was asked before one did may be out of date. */
  #ended = 0

  constructor(
    private readonly database: Knex,
    private readonly now: () => number = Date.now,
  ) {}

  /**
   * Begins a session.
   * @param accessKey a mark of the key that was given: a session ends when the key is another
   * @returns the token for the cookie, and how long it lasts, in milliseconds
   */
  async begin(accessKey: string): Promise<{ token: string; lastsMs: number }> {
    const token = randomBytes(32).toString('base64url')
    const id = randomBytes(9).toString('hex')
    await this.database('sessions').where('expires', '<', new Date(this.now())).delete()
    await this.database('sessions').insert({
      id,
      token: digestOf(token),
      access_key: accessKey,
      expires: new Date(this.now() + LASTS_MS),
    })
    return { token, lastsMs: LASTS_MS }
  }

  async #ask(name: string, where: object, accessKey: string): Promise<string | undefined> {
    const known = this.#known.get(name)
    if (known && known.until > this.now()) return known.id
    const ended = this.#ended
    const row = (await this.database('sessions')
      .where({ ...where, access_key: accessKey })
      .where('expires', '>', new Date(this.now()))
      .first('id')) as { id: string } | undefined
    if (this.#known.size >= MOST_KNOWN) this.#known.clear()
    if (ended === this.#ended) this.#known.set(name, { id: row?.id, until: this.now() + KNOWN_MS })
    return row?.id
  }

  /** Returns the id of the session of a token; undefined where there is none, or it has ended. */
  find(token: string, accessKey: string): Promise<string | undefined> {
    const digest = digestOf(token)
    return this.#ask(digest.toString('hex'), { token: digest }, accessKey)
  }

  /** Whether a session goes on. */
  async isAlive(id: string, accessKey: string): Promise<boolean> {
    return (await this.#ask(`id ${id}`, { id }, accessKey)) !== undefined
  }

  /** Ends the session of a token. */
  async end(token: string): Promise<void> {
    await this.database('sessions').where('token', digestOf(token)).delete()
    this.#ended++
    this.#known.clear()
  }
}
