import stringify from 'fast-json-stable-stringify'
import { xxHash32 } from 'js-xxhash'
import * as v from 'valibot'

/** A short mark of a value, the same whatever the order of its fields; not a guard against ill will. */
export function markOf(value: unknown): string {
  const text = typeof value === 'string' ? value : stringify(value)
  return xxHash32(text).toString(16) + text.length.toString(16)
}

/** The mark of the value that a change overwrites: the change is refused when the value is another one by then. */
export const overSchema = v.optional(v.pipe(v.string(), v.regex(/^[0-9a-f]{1,16}$/, 'must be a mark')))
