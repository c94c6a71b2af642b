import type { Applied } from '@viatica/core/plan/change/apply.ts'
import type { Change, SingleChange } from '@viatica/core/plan/change/change.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import type { TypedText } from './keeping.ts'
import type { Step } from './step.ts'

/** A change that holds, with the site after it and what takes it back. */
export interface Tried extends Applied {
  readonly change: Change
}

/** An edit that could not be made, and why. It is kept until its author decides. */
export interface ApartEdit {
  readonly id: string
  readonly words: string
  readonly change: Change
  readonly reason: string
}

/** Something that can only be undone or redone over what others wrote since. */
export interface UndoQuestion {
  readonly isRedo: boolean
  readonly message: string
  /** The part of it that writes over something. */
  readonly change: SingleChange
  /** What is there now. */
  readonly now: unknown
  /** The site as it would be; undefined where it cannot be undone at all. */
  readonly then: Site | undefined
  /** Undoes it all the same, or lets it be. */
  answer(isAnyway: boolean): void
}

/** What an exchange shows. Never changed in place. */
export interface ExchangeState {
  /** The site with every edit that was made here; undefined while it is read, and when it cannot be shown. */
  readonly site: Site | undefined
  /** Why the site cannot be shown. */
  readonly trouble: string
  /** Why edits cannot be saved just now; empty while they can. */
  readonly saveTrouble: string
  /** How many edits the server has not confirmed. */
  readonly waiting: number
  /** Whether all of them would outlive this window. */
  readonly isKept: boolean
  /** Whether something is typed that is no edit yet. */
  readonly isTyping: boolean
  /** What is to be told to the author. */
  readonly notice: string
  readonly lastWords: string
  readonly done: readonly Step[]
  readonly undone: readonly Step[]
  readonly apart: readonly ApartEdit[]
  /** What was typed in a window that is gone, and is made only when its author says so. */
  readonly typed: readonly TypedText[]
  readonly question: UndoQuestion | undefined
}

export const NOTHING: ExchangeState = {
  site: undefined,
  trouble: '',
  saveTrouble: '',
  waiting: 0,
  isKept: true,
  isTyping: false,
  notice: '',
  lastWords: '',
  done: [],
  undone: [],
  apart: [],
  typed: [],
  question: undefined,
}
