/** Puts a value to the others under a key. */
export function collect<Key, Value>(lists: Map<Key, Value[]>, key: Key, value: Value): void {
  const there = lists.get(key)
  if (there) there.push(value)
  else lists.set(key, [value])
}
