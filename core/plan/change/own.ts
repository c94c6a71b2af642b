/**
 * The maps that were copied for one change. A change of many parts copies each map once, and then writes to its copy;
 * nobody sees the copies before the whole change holds.
 */
export type Own = Set<object>

/** A copy of a map that may be written to: the map itself where it was copied for this change already. */
export function ownCopy<Key, Value>(map: ReadonlyMap<Key, Value>, own: Own): Map<Key, Value> {
  if (own.has(map)) return map as Map<Key, Value>
  const copy = new Map(map)
  own.add(copy)
  return copy
}
