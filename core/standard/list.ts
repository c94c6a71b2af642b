import * as v from 'valibot'
import { partFault } from './partFault.ts'

/**
 * A list of at most `most` items. How many there are is asked before any is looked at, and the first fault ends it:
 * a list of millions costs no more than a short one.
 */
export function listOf<Item extends v.GenericSchema>(item: Item, most: number) {
  return v.pipe(
    v.custom<unknown[]>((value) => Array.isArray(value), 'must be a list'),
    v.check((list) => list.length <= most, `must hold at most ${most} items`),
    v.rawTransform(({ dataset, addIssue, NEVER }): v.InferOutput<Item>[] => {
      const items: v.InferOutput<Item>[] = []
      for (const [key, value] of dataset.value.entries()) {
        const result = v.safeParse(item, value, { abortEarly: true })
        if (!result.success) {
          addIssue(partFault(result.issues, 'array', dataset.value, key, value))
          return NEVER
        }
        items.push(result.output)
      }
      return items
    }),
  )
}
