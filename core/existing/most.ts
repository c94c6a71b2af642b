/** The value that is there most often; undefined for none. */
export function most<T>(values: Iterable<T>): T | undefined {
  const counts = new Map<T, number>()
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1)
  let best: T | undefined
  let times = 0
  for (const [value, count] of counts) if (count > times) [best, times] = [value, count]
  return best
}
