import type { Edit } from '@viatica/core/protocol/editRequests.ts'
import type { ChangesAnswer, RestoredAnswer, SavedAnswer } from '@viatica/core/protocol/edits.ts'
import type { ReadAnswer } from '@viatica/core/protocol/sites.ts'
import type { WindowAt } from '@viatica/core/protocol/windows.ts'

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
  save(edit: Edit): Promise<SavedAnswer>
  /** Goes back to an earlier revision; the answer has what that changed, where it is made just then. */
  restore(
    edit: Omit<Edit, 'change' | 'continues'> & { readonly words: string },
    to: number,
  ): Promise<RestoredAnswer>
  changesAfter(revision: number): Promise<ChangesAnswer>
  /** Which of some edits were made, and the revisions they made. */
  editsMade(ids: readonly string[]): Promise<readonly { id: string; revision: number }[]>
  /** @returns what ends it */
  hear(hearing: Hearing): () => void
}
