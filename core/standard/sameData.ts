/** The fields of data that JSON has: one without a value is none. */
const fieldsOf = (data: object): string[] =>
  Object.keys(data).filter((name) => (data as Record<string, unknown>)[name] !== undefined)

/**
 * Whether two values are the same as JSON, whatever the order of their fields and whatever these are called: packages for
 * this take a field called `constructor` or `valueOf` for that of the language.
 */
export function isSameData(one: unknown, other: unknown): boolean {
  if (one === other) return true
  if (typeof one !== 'object' || typeof other !== 'object' || one === null || other === null) return false
  if (Array.isArray(one) || Array.isArray(other))
    return (
      Array.isArray(one) &&
      Array.isArray(other) &&
      one.length === other.length &&
      one.every((item, at) => isSameData(item, other[at]))
    )
  const fields = fieldsOf(one)
  return (
    fields.length === fieldsOf(other).length &&
    fields.every(
      (name) =>
        Object.hasOwn(other, name) &&
        isSameData((one as Record<string, unknown>)[name], (other as Record<string, unknown>)[name]),
    )
  )
}
