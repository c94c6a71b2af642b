import * as v from 'valibot'
import { listOf } from '../../standard/list.ts'
import { type Entry, groupSchema, linkSchema, pageSchema } from '../entry.ts'
import { entryIdSchema, fileIdSchema } from '../ids.ts'
import { MAX_FILES, siteFileSchema } from '../file.ts'
import { goneListSchema } from '../gone.ts'
import { MAX_ENTRIES } from '../plan.ts'
import { type SettingName, settingSchemas } from '../site.ts'
import { earlierSurroundSchema } from '../surround/earlier.ts'
import { overSchema as over } from './mark.ts'

const entryIds = (most: number) => listOf(entryIdSchema, most)

const entrySchema = v.variant('kind', [pageSchema, groupSchema, linkSchema]) as v.GenericSchema<
  unknown,
  Entry
>

/** Settings one by one: each may be left out. */
const settingsSchema = v.strictObject(
  Object.fromEntries(
    Object.entries(settingSchemas).map(([name, schema]) => [name, v.optional(schema as v.GenericSchema)]),
  ) as { [Name in SettingName]: v.OptionalSchema<(typeof settingSchemas)[Name], undefined> },
)

/**
 * Makes a site what it was at another time: all that differs between the two states, each thing whole. It holds as a
 * whole or not at all, whatever order single edits of it would have needed.
 */
export const restoreSchema = v.strictObject({
  kind: v.literal('restore'),
  settings: settingsSchema,
  /** The whole surround, where anything of it differs. */
  // One that a window made before the last version, and did not send until now.
  surround: v.optional(earlierSurroundSchema),
  /** Files that are there again, or are as they were. */
  files: listOf(siteFileSchema, MAX_FILES),
  filesGone: listOf(fileIdSchema, MAX_FILES),
  /** Entries that are there again, or are as they were; none of them with those under it. */
  entries: listOf(entrySchema, MAX_ENTRIES),
  entriesGone: entryIds(MAX_ENTRIES),
  /** The ids under each entry under which something else stood; an empty list for none. */
  children: listOf(v.strictObject({ parent: entryIdSchema, children: entryIds(MAX_ENTRIES) }), MAX_ENTRIES),
  /** What is remembered of removed pages and files, where that differs. */
  gone: v.optional(goneListSchema),
  over,
})
export type Restore = v.InferOutput<typeof restoreSchema>
