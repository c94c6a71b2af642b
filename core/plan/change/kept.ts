import type { Change, SingleChange } from './change.ts'

/** The same change where the bytes of files are in the store. @param kept under which key, and how many, by the keys until now */
export function withKept(
  change: Change,
  kept: ReadonlyMap<string, { readonly content: string; readonly size: number }>,
): Change {
  const single = (one: SingleChange): SingleChange =>
    one.kind === 'addFile' ? { ...one, file: { ...one.file, ...kept.get(one.file.content) } } : one
  return change.kind === 'batch' ? { ...change, changes: change.changes.map(single) } : single(change)
}
