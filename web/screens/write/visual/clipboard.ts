import { type Schema, Slice } from '@tiptap/pm/model'

/** Where a window leaves what was copied in a visual editor, for itself and the other windows of this browser. */
const COPIED = 'viatica-copied'

interface Copied {
  readonly letters: string
  readonly slice: unknown
}

/** The letters of a text: programs part its lines each in their way. */
const lettersOf = (text: string) => text.replace(/\s+/g, '')

/**
 * Remembers what is copied as the editor holds it: the clipboard has it as HTML for other programs, and HTML that comes from
 * the clipboard is cleaned, whoever put it there.
 */
export function rememberCopied(slice: Slice): Slice {
  const text = slice.content.textBetween(0, slice.content.size)
  try {
    localStorage.setItem(
      COPIED,
      JSON.stringify({ letters: lettersOf(text), slice: slice.toJSON() as unknown }),
    )
  } catch {
    // What is too large to be remembered comes in as from any other program.
    localStorage.removeItem(COPIED)
  }
  return slice
}

/** What was copied in a visual editor, where the clipboard still holds that. */
export function copiedSlice(data: DataTransfer | null, schema: Schema): Slice | undefined {
  if (!data?.getData('text/html').includes('data-pm-slice')) return undefined
  try {
    const kept = JSON.parse(localStorage.getItem(COPIED) ?? 'null') as Copied | null
    if (!kept || kept.letters !== lettersOf(data.getData('text/plain'))) return undefined
    return Slice.fromJSON(schema, kept.slice)
  } catch {
    return undefined
  }
}
