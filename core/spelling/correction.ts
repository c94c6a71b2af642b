import type { Batch, SetEntry } from '../plan/change/change.ts'
import type { EntryId } from '../plan/entry.ts'
import type { Site } from '../plan/site.ts'
import { escapeText } from '../standard/escape.ts'
import { wordsInContent, wordsInFields } from './spelling.ts'
import type { PlacedWord } from './wordsToLookUp.ts'

function replaced(text: string, words: readonly PlacedWord[], word: string, by: string): string {
  let next = text
  for (const one of [...words].reverse())
    if (one.word === word) next = next.slice(0, one.start) + by + next.slice(one.end)
  return next
}

/** The change that writes a word otherwise wherever it stands in an entry; undefined where it stands nowhere. */
export function correction(site: Site, id: EntryId, word: string, by: string): Batch | undefined {
  const entry = site.plan.entries.get(id)
  if (!entry) return undefined
  const changes: SetEntry[] = []
  for (const { field, words } of wordsInFields(entry)) {
    const text = (entry as unknown as Record<typeof field, string>)[field]
    const value = replaced(text, words, word, by)
    if (value !== text) changes.push({ kind: 'setEntry', entry: id, field, value })
  }
  if (entry.kind === 'page') {
    const html = replaced(entry.body.html, wordsInContent(entry, site), word, escapeText(by))
    if (html !== entry.body.html)
      changes.push({ kind: 'setEntry', entry: id, field: 'body', value: { ...entry.body, html } })
  }
  return changes.length === 0 ? undefined : { kind: 'batch', words: `“${word}” written “${by}”`, changes }
}
