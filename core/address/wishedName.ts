import { type Entry, labelOf } from '../plan/entry.ts'
import { type Separator, soundFileName } from '../standard/fileName.ts'

const derived = new WeakMap<Entry, { separator: Separator; name: string }>()

/** The name from the menu label or the title: remembered, since one edit leaves nearly all entries as they were. */
function derivedName(entry: Entry, separator: Separator): string {
  const remembered = derived.get(entry)
  if (remembered?.separator === separator) return remembered.name
  const name = soundFileName(labelOf(entry), separator)
  derived.set(entry, { separator, name })
  return name
}

/** The name that an entry asks for: the author's own, else the pinned one, else from the menu label or the title. */
export function wishedName(entry: Entry, separator: Separator): string {
  if (entry.kind !== 'link' && entry.fileName !== '') return entry.fileName
  if (entry.kind === 'page' && entry.pin) return entry.pin.name
  return derivedName(entry, separator)
}
