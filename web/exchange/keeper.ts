import type { Waiting } from './editQueue.ts'
import type { Keeping, KeptEdit, Taken } from './keeping.ts'

/** Keeps the edits of one window on one site until the server has them, and knows whether all of that was done. */
export class Keeper {
  /** How much is being kept, or forgotten, just now. */
  #underWay = 0
  #lastOrder = 0
  #isOver = false

  constructor(
    private readonly parts: { readonly site: string; readonly window: string; readonly keeping: Keeping },
    private readonly changed: () => void,
  ) {}

  /** Whether all that was to be kept is, and would outlive the window. */
  get isDone(): boolean {
    return this.#underWay === 0 && this.parts.keeping.isLasting
  }

  /** An order after all others: also after those of an earlier window. */
  nextOrder(): number {
    return (this.#lastOrder = Math.max(this.#lastOrder + 1, Date.now() * 1000))
  }

  /** Notes the order of an edit that was taken up. */
  noteOrder(order: number): void {
    this.#lastOrder = Math.max(this.#lastOrder, order)
  }

  #do(work: () => Promise<void>): void {
    if (this.#isOver) return
    this.#underWay++
    void work().finally(() => {
      this.#underWay--
      this.changed()
    })
  }

  /** Keeps an edit. @param takes what it takes the place of */
  put({ id, order, words, change, continues, restores }: Waiting, takes: Taken = {}): void {
    const { site, window, keeping } = this.parts
    const kept: KeptEdit = {
      ...{ id, site, window, order, words, change },
      ...(continues === undefined ? {} : { continues }),
      ...(restores === undefined ? {} : { restores }),
    }
    this.#do(() => keeping.putEdit(kept, takes))
  }

  /** Keeps an edit that was set apart. */
  putApart({ id, order, words, change }: Pick<Waiting, 'id' | 'order' | 'words' | 'change'>, reason: string) {
    const { site, window, keeping } = this.parts
    this.#do(() => keeping.putEdit({ id, site, window, order, words, change, apart: reason }))
  }

  remove(ids: readonly string[]): void {
    this.#do(() => this.parts.keeping.removeEdits(ids))
  }

  /** Keeps nothing any more. */
  end(): void {
    this.#isOver = true
  }
}
