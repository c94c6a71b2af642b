import { type Applied, singlesOf } from '@viatica/core/plan/change/apply.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { guarded, unguarded } from '@viatica/core/plan/change/guard.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { setsSameField } from '@viatica/core/plan/change/sameField.ts'
import { shortened } from '@viatica/core/standard/text.ts'

/** Typing that goes on in one field within this time is one step to undo. */
const SAME_STEP_MS = 4000
/** As many characters as the words of a change may have. */
const MOST_WORDS = 500

/** Something that was done in this window, and can be undone as a whole: one edit, or several that are typed on. */
export class Step {
  /** What takes it back, whatever stands there by then. */
  #inverse: Change
  /** What takes it back as long as nobody wrote over it. */
  #guarded: Change
  #first: string
  #last: string

  /**
   * @param edit the id of its edit
   * @param typing what tells one visit to a field from the next; undefined for what was not typed
   */
  constructor(
    public words: string,
    public change: Change,
    public at: number,
    readonly typing: string | undefined,
    edit: string,
    applied: Applied,
  ) {
    this.#first = this.#last = edit
    this.#inverse = this.#guarded = applied.inverse
    this.settle(edit, applied)
  }

  /** The id of its last edit. */
  get edit(): string {
    return this.#last
  }

  /** Whether a change is typed on in the field of this step. */
  goesOn(change: Change, typing: string | undefined, at: number): boolean {
    return (
      typing !== undefined &&
      this.typing === typing &&
      at - this.at < SAME_STEP_MS &&
      setsSameField(this.change, change)
    )
  }

  /** Takes an edit in that stands in the place of its last one, which was not sent. */
  takePlace(words: string, change: Change, at: number, edit: string, applied: Applied): void {
    if (this.#first === this.#last) this.#first = edit
    this.goOn(words, change, at, edit, applied)
  }

  /** Takes an edit in that is typed on. */
  goOn(words: string, change: Change, at: number, edit: string, applied: Applied): void {
    Object.assign(this, { words, change, at })
    this.#last = edit
    this.#guard(applied)
  }

  /** Takes in that an edit of it was made on another site than before, since others were faster. */
  settle(edit: string, applied: Applied): void {
    if (edit === this.#first) this.#inverse = applied.inverse
    this.#guard(applied)
  }

  #guard({ site }: Applied): void {
    try {
      this.#guarded = guarded(site, this.#inverse)
    } catch (error) {
      if (!(error instanceof ChangeRefused)) throw error
      this.#guarded = this.#inverse
    }
  }

  /**
   * The change that takes it back. A batch carries the words that the history tells it by.
   * @param isAnyway whether also what others wrote since goes
   */
  takingBack(words: string, isAnyway: boolean): Change {
    const change = isAnyway ? unguarded(this.#inverse) : this.#guarded
    return { kind: 'batch', words: shortened(words, MOST_WORDS), changes: [...singlesOf(change)] }
  }
}
