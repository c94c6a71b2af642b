import * as v from 'valibot'
import { listOf } from '../standard/list.ts'
import { line } from '../standard/text.ts'

/** How many removed pages and files a site remembers; more are forgotten at once. */
const MAX_GONE = 40_000

/**
 * What is remembered of a page or file that was removed: references in the author's own HTML that still lead to it keep its
 * path, and findings call it by its name.
 */
export const goneSchema = v.strictObject({
  /** The pointer that references have: `entry:crew`, `site-file:map`. */
  to: v.pipe(v.string('must be text'), v.regex(/^(?:entry|site-file):[a-z0-9-]+$/, 'must be a pointer')),
  path: v.pipe(v.string('must be text'), v.minLength(1), v.maxLength(5000)),
  label: line(1000),
})
export type Gone = v.InferOutput<typeof goneSchema>

export const goneListSchema = listOf(goneSchema, MAX_GONE)

/** By the pointers that references have. */
export type GoneByPointer = ReadonlyMap<string, Gone>

export const goneByPointer = (list: readonly Gone[]): GoneByPointer =>
  new Map(list.map((one) => [one.to, one]))

/** In one order, whatever was removed first. */
export const goneList = (gone: GoneByPointer): Gone[] =>
  [...gone.values()].sort((a, b) => (a.to < b.to ? -1 : 1))

/** What is remembered once some pointers lead to what is there again. @returns also what was forgotten */
export function withoutGone(
  gone: GoneByPointer,
  pointers: readonly string[],
): { gone: GoneByPointer; forgotten: Gone[] } {
  const forgotten = pointers.flatMap((to) => gone.get(to) ?? [])
  if (forgotten.length === 0) return { gone, forgotten }
  const rest = new Map(gone)
  for (const { to } of forgotten) rest.delete(to)
  return { gone: rest, forgotten }
}

/** What is remembered once more was removed. */
export function withGone(gone: GoneByPointer, more: readonly Gone[]): GoneByPointer {
  if (more.length === 0 || gone.size + more.length > MAX_GONE) return gone
  const all = new Map(gone)
  for (const one of more) all.set(one.to, one)
  return all
}
