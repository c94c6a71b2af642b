import * as v from 'valibot'
import type { Change } from '../plan/change/change.ts'
import { checkedElsewhere } from './values.ts'

const madeChange = v.object({
  revision: v.number(),
  /** Of the edit that made it. */
  id: v.string(),
  change: checkedElsewhere<Change>(),
})
/** A change that was made, and the id of the edit that made it. */
export type MadeChange = Readonly<v.InferOutput<typeof madeChange>>

const savedEntries = {
  /** Of the site with the edit. */
  revision: v.number(),
  /** The changes that others made since the base, oldest first; null where the site is to be read anew. */
  missed: v.nullable(v.pipe(v.array(madeChange), v.readonly())),
}

/** What the server says of an edit that it made. */
export const savedAnswer = v.object(savedEntries)
export type SavedAnswer = Readonly<v.InferOutput<typeof savedAnswer>>

/** The same, with what going back changed; without it where nothing was different. */
export const restoredAnswer = v.object({ ...savedEntries, change: v.optional(checkedElsewhere<Change>()) })
export type RestoredAnswer = Readonly<v.InferOutput<typeof restoredAnswer>>

/** The changes that brought a site to its newest revision; null where it is less to read it anew. */
export const changesAnswer = v.object({
  revision: v.number(),
  changes: v.nullable(v.pipe(v.array(madeChange), v.readonly())),
})
export type ChangesAnswer = Readonly<v.InferOutput<typeof changesAnswer>>

/** Those that were, and the revisions that they made. */
export const editsMadeAnswer = v.object({
  made: v.array(v.object({ id: v.string(), revision: v.number() })),
})
