import type * as v from 'valibot'

/**
 * The first fault of a part, as a fault of the whole at the place of the part: what schemas that read part by part say.
 * @param type what the whole is
 */
export function partFault(
  issues: readonly [v.BaseIssue<unknown>, ...v.BaseIssue<unknown>[]],
  type: 'array' | 'object',
  input: unknown,
  key: number | string,
  value: unknown,
) {
  const [issue] = issues
  const at = { type, origin: 'value', input, key, value }
  return { message: issue.message, path: [at, ...(issue.path ?? [])] as never }
}
