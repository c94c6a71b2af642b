/**
 * A table that is asked for names from outside: of elements, texts, keys. An object would also answer for what every
 * object has of itself, `constructor` above all.
 */
export const tableOf = <Value>(rows: Readonly<Record<string, Value>>): ReadonlyMap<string, Value> =>
  new Map(Object.entries(rows))
