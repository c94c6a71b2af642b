import * as v from 'valibot'
import { filledLine, line } from '../../standard/text.ts'
import { entryIdSchema, menuIdSchema } from '../ids.ts'
import { pickedLinksSchema } from './pickedLink.ts'

/** What an author decided about one entry in one menu, beside what the plan says. */
const exceptionSchema = v.strictObject({
  entry: entryIdSchema,
  /** Shown in this menu in place of the entry's own label; empty for that. */
  label: v.optional(line(300), ''),
  leftOut: v.optional(v.boolean('must be true or false'), false),
})
export type MenuException = v.InferOutput<typeof exceptionSchema>

/** A projection of the plan: what stands under an entry, or around the page that a visitor is on. */
const planMenuSchema = v.strictObject({
  id: menuIdSchema,
  kind: v.literal('plan'),
  /** What the author, and a screen reader, call it. */
  name: filledLine(100),
  /** `home`: from the home page. `section`: the top-level section of each page, opened along the way to it. */
  from: v.variant('at', [
    v.strictObject({ at: v.literal('home') }),
    v.strictObject({ at: v.literal('section') }),
    v.strictObject({ at: v.literal('entry'), entry: entryIdSchema }),
  ]),
  depth: v.picklist([1, 2, 3], 'must be 1, 2 or 3'),
  exceptions: v.optional(v.pipe(v.array(exceptionSchema), v.maxLength(1000, 'must hold at most 1000')), []),
})

/** A list of entries and links that the author picks one by one. */
const pickedMenuSchema = v.strictObject({
  id: menuIdSchema,
  kind: v.literal('picked'),
  name: filledLine(100),
  links: pickedLinksSchema(100),
})

export const menuSchema = v.variant('kind', [planMenuSchema, pickedMenuSchema])
export type Menu = v.InferOutput<typeof menuSchema>
export type PlanMenu = v.InferOutput<typeof planMenuSchema>
