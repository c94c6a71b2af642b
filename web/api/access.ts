import { request } from './request.ts'

interface Answer {
  readonly isNeeded: boolean
  readonly isIn: boolean
  /** What stands in the address of previews, whose pages send no cookie; empty where no key is needed. */
  readonly preview: string
}

/** The pass in the address of previews ends after a day. */
const ASK_AGAIN_MS = 6 * 3_600_000

/** Whether this browser may come in, where the server asks for a key. */
class Access {
  #preview = ''
  #isIn: boolean | undefined
  #isNeeded = false
  #again: ReturnType<typeof setInterval> | undefined

  /** What stands before the id of a site in the address of its preview. */
  get previewPrefix(): string {
    return this.#preview === '' ? '' : `~${this.#preview}/`
  }

  /** Whether the server asks for a key at all. */
  get isNeeded(): boolean {
    return this.#isNeeded
  }

  async #ask(): Promise<void> {
    const { isNeeded, isIn, preview } = await request<Answer>('GET', '/api/access')
    this.#isIn = isIn
    this.#preview = preview
    this.#isNeeded = isNeeded
    if (isNeeded && !this.#again)
      this.#again = setInterval(() => void this.#ask().catch(() => undefined), ASK_AGAIN_MS)
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
    await request('POST', '/api/access', JSON.stringify({ key }), 'application/json')
    await this.#ask()
  }

  async signOut(): Promise<void> {
    await request('DELETE', '/api/access')
    this.end()
  }
}

export const access = new Access()
