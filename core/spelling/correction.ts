import type { Batch, SingleChange } from '../plan/change/change.ts'
import type { EntryId, MenuId, PieceId } from '../plan/ids.ts'
import type { Site } from '../plan/site.ts'
import { menuOf, standingOf } from '../plan/surround/surround.ts'
import { escapeText } from '../standard/escape.ts'
import { respeltMenu, respeltPiece, type Respell, wordsIn } from './around.ts'
import { wordsInContent, wordsInFields } from './spelling.ts'
import type { PlacedWord } from './wordsToLookUp.ts'

function replaced(text: string, words: readonly PlacedWord[], word: string, by: string): string {
  let next = text
  for (const one of [...words].reverse())
    if (one.word === word) next = next.slice(0, one.start) + by + next.slice(one.end)
  return next
}

/** Where a word stands: in an entry, or around the content. */
export type SpeltPlace =
  | { readonly in: 'entry'; readonly entry: EntryId }
  | { readonly in: 'piece'; readonly piece: PieceId }
  | { readonly in: 'menu'; readonly menu: MenuId }

function inEntry(site: Site, id: EntryId, word: string, by: string): SingleChange[] {
  const entry = site.plan.entries.get(id)
  if (!entry) return []
  const changes: SingleChange[] = []
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
  return changes
}

function changesAt(site: Site, place: SpeltPlace, word: string, by: string): SingleChange[] {
  let isFound = false
  const respell: Respell = (text, form) => {
    const next = replaced(text, wordsIn(text, form, site), word, form === 'html' ? escapeText(by) : by)
    isFound ||= next !== text
    return next
  }
  switch (place.in) {
    case 'entry':
      return inEntry(site, place.entry, word, by)
    case 'piece': {
      const standing = standingOf(site.surround, place.piece)
      const piece = standing && respeltPiece(standing.piece, respell)
      return piece && isFound ? [{ kind: 'setPiece', piece }] : []
    }
    case 'menu': {
      const there = menuOf(site.surround, place.menu)
      const menu = there && respeltMenu(there, respell)
      return menu && isFound ? [{ kind: 'setMenu', menu }] : []
    }
  }
}

/** The change that writes a word otherwise wherever it stands in one place; undefined where it stands nowhere. */
export function correction(site: Site, place: SpeltPlace, word: string, by: string): Batch | undefined {
  const changes = changesAt(site, place, word, by)
  return changes.length === 0 ? undefined : { kind: 'batch', words: `“${word}” written “${by}”`, changes }
}
