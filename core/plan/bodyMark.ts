import fnv1a from '@sindresorhus/fnv1a'

/** A short mark of main content, by which one that was changed meanwhile is told; not a guard against ill will. */
export function bodyMark(html: string): string {
  return fnv1a(html, { size: 64 }).toString(16)
}
