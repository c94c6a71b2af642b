import type { Change } from '@viatica/core/plan/change/change.ts'
import { setsSameField } from '@viatica/core/plan/change/sameField.ts'
import type { Keeping, TypedText } from './keeping.ts'

/** What is typed into fields and is no edit yet. Of a field only the newest text is written, however fast one types. */
export class TypedTexts {
  /** What is to be written, by the id of the field; undefined for what is to be forgotten. */
  readonly #pending = new Map<string, TypedText | undefined>()
  readonly #fields = new Map<string, TypedText>()
  #isWriting = false

  constructor(
    private readonly parts: { readonly keeping: Keeping },
    private readonly changed: () => void,
  ) {}

  get isAny(): boolean {
    return this.#fields.size > 0
  }

  /** Whether something is typed into the field that a change sets. */
  isIn(change: Change): boolean {
    return [...this.#fields.values()].some((text) => setsSameField(text.change, change))
  }

  get isWriting(): boolean {
    return this.#isWriting
  }

  put(text: TypedText): void {
    this.#fields.set(text.id, text)
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
