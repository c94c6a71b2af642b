import type { Site } from '../site.ts'
import { singlesOf } from './apply.ts'
import type { Change } from './change.ts'
import { isWritten, writtenOver } from './over.ts'

/** Whether a text has all that was written, and maybe more. */
const holds = (text: unknown, written: unknown): boolean =>
  typeof text === 'string' && typeof written === 'string' && text.includes(written)

/**
 * Whether what an edit wrote was there, and is not there any more. Texts of pages do not count: those are merged where they
 * are written, which tells what is lost; words that were added replace nothing. @param before the site that may still have it
 */
export function isReplaced(edit: Change, before: Site, after: Site): boolean {
  return singlesOf(edit).some(
    (single) =>
      !(single.kind === 'setEntry' && single.field === 'body') &&
      isWritten(before, single) &&
      !isWritten(after, single) &&
      !holds(writtenOver(after, single), writtenOver(before, single)),
  )
}
