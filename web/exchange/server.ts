import type { Change } from '@viatica/core/plan/change/change.ts'
import type { SiteData } from '@viatica/core/plan/siteData.ts'

/** A site as the server has it. */
export interface ReadAnswer {
  readonly revision: number
  /** The id of the edit that made this revision; null for a site as it was made. */
  readonly stamp: string | null
  readonly site: SiteData
}

/** A change that was made, and the id of the edit that made it. */
export interface MadeChange {
  readonly revision: number
  readonly id: string
  readonly change: Change
}

/** An edit as it is sent. */
export interface SentEdit {
  readonly id: string
  /** The revision that it was made on, and the edit that had made that one. */
  readonly base: number
  readonly stamp?: string
  /** The edit before, where this one is typed on in the same field. */
  readonly continues?: string
  readonly change: Change
}

/** What the server says of an edit that it made. */
export interface SavedAnswer {
  /** Of the site with the edit. */
  readonly revision: number
  /** The changes that others made since the base, oldest first; null where the site is to be read anew. */
  readonly missed: readonly MadeChange[] | null
}

/** A window, and the page that is written in it; empty for none. */
export interface WindowAt {
  readonly window: string
  readonly page: string
  /** Whether the others should say, too, where they write. */
  readonly asks: boolean
}

/** What is heard of a site. */
export interface Hearing {
  /** Its newest revision, at once and at every change. */
  revision(newest: number): void
  /** On which page a window writes, whenever it says so. */
  window(at: WindowAt): void
  /** That something about the publications of the site is new. */
  publishing(): void
  /** That from now on all of this is heard, perhaps anew. */
  opened(): void
  /** That the site is no longer there. */
  removed(): void
}

/** What an exchange asks of the server about its site. Every call may fail with a Refusal. */
export interface SiteServer {
  read(): Promise<ReadAnswer>
  save(edit: SentEdit): Promise<SavedAnswer>
  /** Goes back to an earlier revision; the answer has what that changed, where it is made just then. */
  restore(
    edit: Omit<SentEdit, 'change' | 'continues'> & { readonly words: string },
    to: number,
  ): Promise<SavedAnswer & { readonly change?: Change }>
  changesAfter(revision: number): Promise<{ revision: number; changes: readonly MadeChange[] | null }>
  /** Which of some edits were made, and the revisions they made. */
  editsMade(ids: readonly string[]): Promise<readonly { id: string; revision: number }[]>
  /** @returns what ends it */
  hear(hearing: Hearing): () => void
}
