import * as v from 'valibot'
import { branchSchema } from '../branch.ts'
import { type EntryField, entrySchema, fieldSchemas } from '../entry.ts'
import { entryIdSchema, fileIdSchema } from '../ids.ts'
import { siteFileSchema } from '../file.ts'
import { goneListSchema } from '../gone.ts'
import { type SettingName, settingSchemas } from '../site.ts'
import { listOf } from '../../standard/list.ts'
import { filledLine } from '../../standard/text.ts'
import { overSchema as over } from './mark.ts'
import { type Restore, restoreSchema } from './restoreChange.ts'
import { type SurroundChange, surroundChangeSchemas } from './surroundChange.ts'

/** How many changes one edit may be made of, and how many entries it may name at a time. */
export const MAX_AT_ONCE = 60_000

/** Whether a change puts back what stood there before, and may name what is gone meanwhile. */
const back = v.optional(v.boolean('must be true or false'))

const place = v.pipe(
  v.number('must be a number'),
  v.integer('must be a whole number'),
  v.minValue(0, 'must not be negative'),
)

const gone = v.optional(goneListSchema)

/** Puts branches, one after the other, under `parent` at `place` (from 0; past the end means last). */
const addSchema = v.strictObject({
  kind: v.literal('add'),
  parent: entryIdSchema,
  place,
  branches: v.pipe(listOf(branchSchema, MAX_AT_ONCE), v.minLength(1, 'must hold at least one branch')),
})

/** Takes entries away, each with all that stands under it. */
const removeSchema = v.strictObject({
  kind: v.literal('remove'),
  entries: v.pipe(listOf(entryIdSchema, MAX_AT_ONCE), v.minLength(1, 'must name at least one entry')),
  /** What is to be remembered of their pages. */
  gone,
  over,
})

/** Puts an entry, with all under it, elsewhere; `place` counts the siblings without the entry itself. */
const moveSchema = v.strictObject({
  kind: v.literal('move'),
  entry: entryIdSchema,
  parent: entryIdSchema,
  place,
  over,
})

/** Puts an entry of another kind in the place of one: it keeps its id, where it stands, and what stands under it. */
const replaceEntrySchema = v.strictObject({ kind: v.literal('replaceEntry'), entry: entrySchema, over })

const SETTING_NAMES = Object.keys(settingSchemas) as SettingName[]
const FIELD_NAMES = Object.keys(fieldSchemas) as EntryField[]

/** Sets one field of an entry. */
const setEntrySchema = v.variant(
  'field',
  FIELD_NAMES.map((field) =>
    v.strictObject({
      kind: v.literal('setEntry'),
      entry: entryIdSchema,
      field: v.literal(field),
      value: fieldSchemas[field] as v.GenericSchema,
      over,
      back,
    }),
  ),
)

/** Sets one setting of the site. */
const setSiteSchema = v.variant(
  'field',
  SETTING_NAMES.map((field) =>
    v.strictObject({
      kind: v.literal('setSite'),
      field: v.literal(field),
      value: settingSchemas[field] as v.GenericSchema,
      over,
      back,
    }),
  ),
)

/** Keeps a file with the site; its bytes are in the store of contents already. */
const addFileSchema = v.strictObject({ kind: v.literal('addFile'), file: siteFileSchema })
/** Sets a file whole: where it stands, its bytes, what it says to those who do not see it. */
const setFileSchema = v.strictObject({ kind: v.literal('setFile'), file: siteFileSchema, over })
const removeFileSchema = v.strictObject({ kind: v.literal('removeFile'), file: fileIdSchema, gone, over })

export type Add = v.InferOutput<typeof addSchema>
export type Remove = v.InferOutput<typeof removeSchema>
export type Move = v.InferOutput<typeof moveSchema>
export type ReplaceEntry = v.InferOutput<typeof replaceEntrySchema>
export type AddFile = v.InferOutput<typeof addFileSchema>
export type SetFile = v.InferOutput<typeof setFileSchema>
export type RemoveFile = v.InferOutput<typeof removeFileSchema>
export type SetEntry = {
  [F in EntryField]: {
    kind: 'setEntry'
    entry: string
    field: F
    value: v.InferOutput<(typeof fieldSchemas)[F]>
    /** Of main content, the mark of what it was written over: another that came between is not lost then. */
    over?: string | undefined
    back?: boolean | undefined
  }
}[EntryField]
export type SetSite = {
  [F in SettingName]: {
    kind: 'setSite'
    field: F
    value: v.InferOutput<(typeof settingSchemas)[F]>
    over?: string | undefined
    back?: boolean | undefined
  }
}[SettingName]

/** A change that does one thing. */
export type SingleChange =
  | Add
  | Remove
  | Move
  | ReplaceEntry
  | SetEntry
  | SetSite
  | AddFile
  | SetFile
  | RemoveFile
  | Restore
  | SurroundChange
/** Several changes that are made, and undone, as one. */
export interface Batch {
  readonly kind: 'batch'
  /** What it does as a whole, for people. */
  readonly words?: string | undefined
  readonly changes: readonly SingleChange[]
}
/** One edit of a site, as plain data. */
export type Change = SingleChange | Batch

const anySingleSchema = v.variant('kind', [
  addSchema,
  removeSchema,
  moveSchema,
  replaceEntrySchema,
  setEntrySchema,
  setSiteSchema,
  addFileSchema,
  setFileSchema,
  removeFileSchema,
  restoreSchema,
  ...surroundChangeSchemas,
])

/** What tells a kind of change from all others. */
const nameOf = (kind: unknown, field: unknown) => `${String(kind)} ${String(field)}`

/** A schema of one kind, and of one field where the kind sets fields. */
type NamedSchema = v.GenericSchema & {
  readonly entries: {
    readonly kind: { readonly literal: string }
    readonly field?: { readonly literal: string }
  }
}
const options = anySingleSchema.options as readonly unknown[] as readonly (
  | NamedSchema
  | { readonly options: readonly NamedSchema[] }
)[]
const schemaByName = new Map(
  options
    .flatMap((option) => ('options' in option ? option.options : [option]))
    .map((schema) => [nameOf(schema.entries.kind.literal, schema.entries.field?.literal), schema]),
)

/** Looked up by what it is, not tried one after the other: a batch may hold tens of thousands. */
const singleSchema = v.lazy((input) => {
  const { kind, field } = (input ?? {}) as { kind?: unknown; field?: unknown }
  return schemaByName.get(nameOf(kind, field)) ?? anySingleSchema
}) as v.GenericSchema<unknown, SingleChange>

const batchSchema = v.strictObject({
  kind: v.literal('batch'),
  words: v.optional(filledLine(500)),
  changes: v.pipe(listOf(singleSchema, MAX_AT_ONCE), v.minLength(1, 'must hold at least one change')),
})

/** A change as it comes in from outside. */
export const changeSchema = v.lazy((input) =>
  (input as { kind?: unknown } | null)?.kind === 'batch' ? batchSchema : singleSchema,
) as v.GenericSchema<unknown, Change>

/**
 * Reads a change that was stored as JSON, whichever version of Viatica stored it: what entries did not have then is as in a
 * new one.
 * @throws ValiError for what no version can have stored
 */
export const readChange = (stored: unknown): Change => v.parse(changeSchema, stored)
