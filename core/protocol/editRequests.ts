import * as v from 'valibot'
import { changeSchema } from '../plan/change/change.ts'
import { listOf } from '../standard/list.ts'
import { filledLine } from '../standard/text.ts'
import { revisionSchema, uuidSchema } from './values.ts'

const baseEntries = {
  /** Chosen by who makes the edit: one that is posted twice is made once. */
  id: uuidSchema,
  /** The revision that it was made on, and the id of the edit that had made that one. */
  base: revisionSchema,
  stamp: v.optional(uuidSchema),
}

/** An edit as it is posted. */
export const editSchema = v.strictObject({
  ...baseEntries,
  /** The id of the last edit, where this one is typed on in the same field: both are one step then. */
  continues: v.optional(uuidSchema),
  change: changeSchema,
})
export type Edit = Readonly<v.InferOutput<typeof editSchema>>

/** What makes a site again what it was at an earlier revision. */
export const restoreRequest = v.strictObject({ ...baseEntries, words: filledLine(500) })

/** Asks which of some edits were made. */
export const editsMadeRequest = v.strictObject({ ids: listOf(uuidSchema, 10_000) })
