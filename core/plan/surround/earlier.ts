import * as v from 'valibot'
import { type Surround, surroundSchema } from './surround.ts'

/**
 * Until site files of version 2, a surround had pieces and templates beside each other, and showed the pieces where
 * `templates` was null. Pages from templates had no style sheet or script of Viatica, and returned to both with pieces.
 * @param stored JSON of any version that was not checked
 * @returns the same as it is stored now; what is no surround of an earlier version as it is
 */
export function surroundOfNow(stored: unknown): unknown {
  if (typeof stored !== 'object' || stored === null || 'kind' in stored) return stored
  const { templates, ...rest } = stored as Record<string, unknown>
  if (templates === null || templates === undefined) return { kind: 'pieces', ...rest }
  const { menus, order, words, headFiles, ...pieces } = rest
  const given = (fields: Record<string, unknown>) =>
    Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined))
  const files = headFiles && { ...headFiles, ourStyles: true, ourScript: true }
  return {
    kind: 'templates',
    ...given({ menus, order, words }),
    templates,
    replaced: { ...pieces, ...given({ headFiles: files }) },
  }
}

/** A surround as any version stored it. */
export const earlierSurroundSchema = v.pipe(v.unknown(), v.transform(surroundOfNow), surroundSchema)

/**
 * Reads a surround that was stored as JSON, whichever version of Viatica stored it.
 * @throws ValiError for what no version can have stored
 */
export const readSurround = (stored: unknown): Surround => v.parse(earlierSurroundSchema, stored)
