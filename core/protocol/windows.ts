import * as v from 'valibot'
import { entryIdSchema } from '../plan/ids.ts'
import { uuidSchema } from './values.ts'

/** A window, and the page that is written in it; an empty page for none. */
export const windowAtSchema = v.strictObject({
  window: uuidSchema,
  page: v.union([v.literal(''), entryIdSchema], 'must be the id of a page, or empty'),
  /** Whether the others should say, too, where they write. */
  asks: v.boolean('must be true or false'),
})
export type WindowAt = Readonly<v.InferOutput<typeof windowAtSchema>>
