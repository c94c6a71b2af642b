import type { Change } from '@viatica/core/plan/change/change.ts'

/** An edit that the server has not confirmed. */
export interface KeptEdit {
  readonly id: string
  readonly site: string
  /** Of the window that made it. */
  readonly window: string
  /** Rises from edit to edit. */
  readonly order: number
  readonly words: string
  readonly change: Change
  /** The edit before, where this one is typed on in the same field. */
  readonly continues?: string
  /** The revision that it goes back to, where it does that. */
  readonly restores?: number
  /** Why it was set apart; the edits after it go on without it. */
  readonly apart?: string
}

/** What was typed into a field and is no edit yet. */
export interface TypedText {
  /** Of the field, in its window. */
  readonly id: string
  readonly site: string
  readonly window: string
  readonly words: string
  /** The edit that it would be. */
  readonly change: Change
  /** Whether it is made only when its author says so: it moves addresses. */
  readonly waits: boolean
}

/** What an edit takes the place of, by ids: an edit before it, and the text that was typed to make it. */
export interface Taken {
  readonly edit?: string | undefined
  readonly typed?: string | undefined
}

/** Where edits are kept until the server has them, also when the window is closed or breaks off. */
export interface Keeping {
  /** Whether anything that is kept here outlives the window. */
  readonly isLasting: boolean
  /** The edits and typed texts of a site that no window looks after any more; from now on this one does. */
  adopt(site: string, window: string): Promise<{ edits: KeptEdit[]; typed: TypedText[] }>
  /**
   * Keeps an edit. One id stands for one change for ever: an edit that changes is another one.
   * @param takes what it takes the place of, which goes at the same moment
   */
  putEdit(edit: KeptEdit, takes?: Taken): Promise<void>
  removeEdits(ids: readonly string[]): Promise<void>
  putTyped(text: TypedText): Promise<void>
  removeTyped(id: string): Promise<void>
  /** How many edits and typed texts of each site wait here, for the list of sites. */
  waiting(): Promise<ReadonlyMap<string, number>>
}
