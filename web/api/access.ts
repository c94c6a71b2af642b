import { accessAnswer } from '@viatica/core/protocol/access.ts'
import { noAnswer } from '@viatica/core/protocol/values.ts'
import { request } from './request.ts'

/** Whether this browser may come in, where the server asks for a key. */
class Access {
  #isIn: boolean | undefined
  #isNeeded = false

  /** Whether the server asks for a key at all. */
  get isNeeded(): boolean {
    return this.#isNeeded
  }

  async #ask(): Promise<void> {
    const { isNeeded, isIn } = await request(accessAnswer, 'GET', '/api/access')
    this.#isIn = isIn
    this.#isNeeded = isNeeded
  }

  /** Whether somebody is signed in, or needs not be. A server that cannot be asked is asked when it is needed. */
  async isIn(): Promise<boolean> {
    if (this.#isIn === undefined) await this.#ask().catch(() => undefined)
    return this.#isIn ?? true
  }

  /** Takes in that nobody is signed in any more. */
  end(): void {
    this.#isIn = false
  }

  /** @throws Refusal for a wrong key */
  async signIn(key: string): Promise<void> {
    await request(noAnswer, 'POST', '/api/access', JSON.stringify({ key }), 'application/json')
    await this.#ask()
  }

  async signOut(): Promise<void> {
    await request(noAnswer, 'DELETE', '/api/access')
    this.end()
  }
}

export const access = new Access()
