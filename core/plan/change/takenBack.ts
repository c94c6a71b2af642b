import type { Branch } from '../branch.ts'
import { labelOf } from '../entry.ts'
import type { EntryId } from '../ids.ts'
import { childrenOf } from '../plan.ts'
import type { Site } from '../site.ts'
import type { SingleChange } from './change.ts'
import type { PlaceOver } from './over.ts'

/** What somebody else did, and what undoing or redoing would make of it, each in words that an author reads. */
export interface TakenBack {
  readonly now: string
  readonly then: string
}

/** How many entries are named one by one. */
const MOST_NAMED = 12

const nameOf = ({ plan }: Site, id: EntryId) => {
  const entry = plan.entries.get(id)
  return entry ? `“${labelOf(entry)}”` : 'a page that was removed'
}

const placeWords = (site: Site, parent: EntryId, after: EntryId): string =>
  `under ${nameOf(site, parent)}, ${after === '' ? 'first' : `after ${nameOf(site, after)}`}`

/** A value as text; undefined for what is none. */
function readable(value: unknown): string | undefined {
  if (typeof value === 'string') return value === '' ? '(empty)' : value
  if (typeof value === 'object' && value && 'html' in value) return String(value.html)
  return undefined
}

/** The labels of entries with all under them, a line each, indented by level. */
function* linesOf(branches: readonly Branch[], indent = ''): Generator<string> {
  for (const branch of branches) {
    yield indent + labelOf(branch)
    yield* linesOf(branch.entries, `${indent}    `)
  }
}

/**
 * Returns the page on which both sides of a change are seen best; undefined where words show them as well.
 * @param chosen the page that shows what is on all pages
 */
export function pageShowing(change: SingleChange, chosen: EntryId): EntryId | undefined {
  switch (change.kind) {
    case 'addPiece':
    case 'removePiece':
    case 'movePiece':
    case 'setPiece':
    case 'addMenu':
    case 'removeMenu':
    case 'setMenu':
    case 'setSurround':
    case 'setMaking':
      return chosen
    case 'setEntry':
      return change.field === 'body' || change.field === 'banner' ? change.entry : undefined
    case 'add':
    case 'remove':
    case 'move':
    case 'replaceEntry':
    case 'setSite':
    case 'addFile':
    case 'setFile':
    case 'removeFile':
    case 'restore':
      return undefined
  }
}

/**
 * Returns both sides of a change that would write over what others did since; undefined where it cannot be said in words.
 * @param now what is there, as `WrittenSince` has it
 */
export function takenBackBy(site: Site, change: SingleChange, now: unknown): TakenBack | undefined {
  switch (change.kind) {
    case 'move': {
      const { parent, after } = now as PlaceOver
      const siblings = childrenOf(site.plan, change.parent).filter((id) => id !== change.entry)
      const before = siblings[Math.min(change.place, siblings.length) - 1] ?? ''
      return { now: placeWords(site, parent, after), then: placeWords(site, change.parent, before) }
    }
    case 'remove': {
      const lines = [...linesOf(now as readonly Branch[])]
      const more = lines.length - MOST_NAMED
      const named = more > 0 ? [...lines.slice(0, MOST_NAMED), `and ${more} more`] : lines
      return { now: named.join('\n'), then: lines.length === 1 ? '(removed)' : '(all of them removed)' }
    }
    default: {
      const [is, was] = [readable(now), 'value' in change ? readable(change.value) : undefined]
      return is === undefined || was === undefined ? undefined : { now: is, then: was }
    }
  }
}
