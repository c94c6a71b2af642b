import stringify from 'fast-json-stable-stringify'

/** Whether two values are the same as JSON, whatever the order of their fields and whatever these are called. */
export const isSameData = (one: unknown, other: unknown): boolean =>
  one === other || stringify(one) === stringify(other)
