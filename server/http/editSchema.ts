import { changeSchema } from '@viatica/core/plan/change/change.ts'
import * as v from 'valibot'

export const uuidSchema = v.pipe(v.string('must be a UUID'), v.uuid('must be a UUID'))

/** On which state of a site an edit was made, and its id. */
export const baseEntries = {
  id: uuidSchema,
  base: v.pipe(v.number('must be a number'), v.integer(), v.minValue(0), v.maxValue(2_147_483_647)),
  stamp: v.optional(uuidSchema),
}

/** An edit as it comes in. */
export const editSchema = v.strictObject({
  ...baseEntries,
  continues: v.optional(uuidSchema),
  change: changeSchema,
})
export type Edit = v.InferOutput<typeof editSchema>
