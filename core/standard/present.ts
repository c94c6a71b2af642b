/**
 * Values that are present: what follows from how a list or map was made, and the types cannot say. Where it does not follow
 * after all, these say what is missing, and nothing goes on with `undefined`.
 */

/** What a map has for a key. @throws where it has none */
export function valueFor<Key, Value>(
  map: { get(key: Key): Value | undefined },
  key: NoInfer<Key>,
): NonNullable<Value> {
  const value = map.get(key)
  if (value === undefined || value === null) throw new Error(`There is no value for ${String(key)}.`)
  return value
}

/** The item of a list at a place, counted from 0. @throws where the list is shorter */
export function itemAt<Item>(list: readonly Item[], place: number): NonNullable<Item> {
  const item = list[place]
  if (item === undefined || item === null) throw new Error(`There is no item ${place} of ${list.length}.`)
  return item
}

/** The last item of a list. @throws where it is empty */
export function lastOf<Item>(list: readonly Item[]): NonNullable<Item> {
  return itemAt(list, list.length - 1)
}
