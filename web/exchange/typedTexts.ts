import type { Keeping, TypedText } from './keeping.ts'

/** What is typed into fields and is no edit yet. Of a field only the newest text is written, however fast one types. */
export class TypedTexts {
  /** What is to be written, by the id of the field; undefined for what is to be forgotten. */
  readonly #pending = new Map<string, TypedText | undefined>()
  readonly #fields = new Set<string>()
  #isWriting = false

  constructor(
    private readonly parts: { readonly keeping: Keeping },
    private readonly changed: () => void,
  ) {}

  get isAny(): boolean {
    return this.#fields.size > 0
  }

  get isWriting(): boolean {
    return this.#isWriting
  }

  put(text: TypedText): void {
    this.#fields.add(text.id)
    this.#pending.set(text.id, text)
    void this.#write()
  }

  remove(id: string): void {
    this.#fields.delete(id)
    this.#pending.set(id, undefined)
    void this.#write()
  }

  async #write(): Promise<void> {
    if (this.#isWriting) return this.changed()
    this.#isWriting = true
    this.changed()
    for (const [id, text] of this.#pending) {
      this.#pending.delete(id)
      if (text) await this.parts.keeping.putTyped(text)
      else await this.parts.keeping.removeTyped(id)
    }
    this.#isWriting = false
    this.changed()
  }
}
