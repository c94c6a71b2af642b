import * as v from 'valibot'
import { partFault } from './partFault.ts'

/** What a record holds under a name from outside; nothing of what every object has of itself. */
export const valueAt = <Value>(record: Readonly<Record<string, Value>>, name: string): Value | undefined =>
  Object.hasOwn(record, name) ? record[name] : undefined

/**
 * A record under names of any kind, `constructor` and `prototype` among them: a page or a text may be called so, and the
 * record of Valibot leaves them out without a word. The first fault ends it.
 */
export function recordOf<Item extends v.GenericSchema>(item: Item) {
  return v.pipe(
    v.custom<Readonly<Record<string, unknown>>>(
      (value) => typeof value === 'object' && value !== null && !Array.isArray(value),
      'must be an object',
    ),
    v.rawTransform(({ dataset, addIssue, NEVER }): Readonly<Record<string, v.InferOutput<Item>>> => {
      const read: [string, v.InferOutput<Item>][] = []
      for (const [key, value] of Object.entries(dataset.value)) {
        const result = v.safeParse(item, value, { abortEarly: true })
        if (!result.success) {
          addIssue(partFault(result.issues, 'object', dataset.value, key, value))
          return NEVER
        }
        read.push([key, result.output])
      }
      return Object.fromEntries(read)
    }),
  )
}
