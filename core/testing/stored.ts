import type { Site } from '../plan/site.ts'

/** Keys in the order in which PostgreSQL keeps those of `jsonb`: the shorter first, then by their bytes. */
const byLength = (a: string, b: string) => a.length - b.length || (a < b ? -1 : 1)

function reordered<T>(value: T): T {
  if (Array.isArray(value)) return value.map(reordered) as T
  if (typeof value !== 'object' || value === null) return value
  const fields = value as Readonly<Record<string, unknown>>
  return Object.fromEntries(
    Object.keys(fields)
      .sort(byLength)
      .map((key) => [key, reordered(fields[key])]),
  ) as T
}

/**
 * A site as it comes out of the database: the fields of what is kept as JSON are in another order there.
 * https://www.postgresql.org/docs/current/datatype-json.html
 */
export const stored = (site: Site): Site => ({ ...site, surround: reordered(site.surround) })
