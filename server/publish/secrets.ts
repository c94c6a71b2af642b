import { createCipheriv, createDecipheriv, createHash, randomBytes } from 'node:crypto'

/** NIST SP 800-38D: what suits AES-GCM. */
const NONCE_BYTES = 12
const TAG_BYTES = 16

/** Keeps secrets as nobody can read them who has the database alone: AES-256-GCM under a key from outside it. */
export class Secrets {
  readonly #key: Buffer | undefined

  /** @param secret that the server was started with; undefined where it has none, and no secret can be kept */
  constructor(secret: string | undefined) {
    this.#key = secret === undefined ? undefined : createHash('sha256').update(`viatica ${secret}`).digest()
  }

  get canKeep(): boolean {
    return this.#key !== undefined
  }

  /** @param place where the secret belongs: elsewhere it cannot be read. @throws Error where none can be kept */
  seal(text: string, place: string): Buffer {
    if (!this.#key) throw new Error('The server has no key to keep secrets under.')
    const nonce = randomBytes(NONCE_BYTES)
    const cipher = createCipheriv('aes-256-gcm', this.#key, nonce).setAAD(Buffer.from(place))
    const sealed = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()])
    return Buffer.concat([nonce, cipher.getAuthTag(), sealed])
  }

  /** Undefined for what was sealed under another key, or belongs elsewhere. */
  open(sealed: Buffer, place: string): string | undefined {
    if (!this.#key) return undefined
    try {
      const decipher = createDecipheriv('aes-256-gcm', this.#key, sealed.subarray(0, NONCE_BYTES))
        .setAAD(Buffer.from(place))
        .setAuthTag(sealed.subarray(NONCE_BYTES, NONCE_BYTES + TAG_BYTES))
      return (
        decipher.update(sealed.subarray(NONCE_BYTES + TAG_BYTES)).toString('utf8') + decipher.final('utf8')
      )
    } catch {
      return undefined
    }
  }
}
