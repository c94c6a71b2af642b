import * as v from 'valibot'
import { line } from '../../standard/text.ts'
import { targetSchema } from '../entry.ts'
import { itemIdSchema } from '../ids.ts'

/** A link that the author picks, with its own label. */
const pickedLinkSchema = v.pipe(
  v.strictObject({
    id: itemIdSchema,
    /** Empty for that of the entry which it leads to, whatever that comes to be. */
    label: line(200),
    target: targetSchema,
    /** Drawn as a button: a call to action. */
    isButton: v.optional(v.boolean('must be true or false'), false),
  }),
  v.check(
    ({ label, target }) => label !== '' || target.to === 'entry',
    'needs a label where it leads out of the plan',
  ),
)
export type PickedLink = v.InferOutput<typeof pickedLinkSchema>

/** A list of them. @param most that it holds */
export const pickedLinksSchema = (most: number) =>
  v.optional(v.pipe(v.array(pickedLinkSchema), v.maxLength(most, `must hold at most ${most}`)), [])
