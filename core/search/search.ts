import { addressesOf } from '../address/addresses.ts'
import { valueFor } from '../standard/present.ts'
import { textOfBody } from '../statistics/wordCount.ts'
import { labelOf } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { walk } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'

/** Where in an entry the words were found; what comes first here counts for more. */
export const FOUND_IN = ['title', 'menu label', 'address', 'text', 'note'] as const
export type FoundIn = (typeof FOUND_IN)[number]

/** An entry that was found. */
export interface Found {
  readonly entry: EntryId
  readonly label: string
  readonly foundIn: FoundIn
  /** The words around the place, which stands from `start` to `end`; none where the search is the whole of it. */
  readonly excerpt: { readonly before: string; readonly match: string; readonly after: string }
}

const AROUND = 40

/** Without regard to case and accents. Every character stays one character, so that places stay the same. */
function folded(text: string): string {
  // eslint-disable-next-line no-control-regex -- the whole of ASCII
  if (/^[\x00-\x7f]*$/.test(text)) return text.toLowerCase()
  return [...text]
    .map((character) => {
      const plain = character.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()
      return plain.length === character.length ? plain : character
    })
    .join('')
}

function excerptAt(text: string, at: number, length: number): Found['excerpt'] {
  const from = Math.max(0, at - AROUND)
  const to = Math.min(text.length, at + length + AROUND)
  return {
    before: (from > 0 ? '…' : '') + text.slice(from, at),
    match: text.slice(at, at + length),
    after: text.slice(at + length, to) + (to < text.length ? '…' : ''),
  }
}

/** Texts are folded once and remembered as long as the object that holds them. */
const foldedTexts = new WeakMap<object, string>()
function foldedOnce(holder: object, text: string): string {
  let known = foldedTexts.get(holder)
  if (known === undefined) foldedTexts.set(holder, (known = folded(text)))
  return known
}

/**
 * Finds entries by title, menu label, address, text or note: the better place first, then what begins with the
 * words, then plan order.
 * @param most how many to give back at most
 */
export function search(site: Site, words: string, most = 50): Found[] {
  const wanted = folded(words.trim().replace(/\s+/g, ' '))
  if (wanted === '') return []
  const { paths } = addressesOf(site)
  const found: { rank: number; found: Found }[] = []
  for (const { entry } of walk(site.plan)) {
    const places: [FoundIn, string, string?][] =
      entry.kind === 'page'
        ? [
            ['title', entry.title],
            ['menu label', entry.label],
            ['address', valueFor(paths, entry.id)],
            ['text', textOfBody(entry.body), foldedOnce(entry.body, textOfBody(entry.body))],
            ['note', entry.note],
          ]
        : [
            ['menu label', entry.label],
            ['note', entry.note],
          ]
    for (const [foundIn, text, known] of places) {
      const at = (known ?? folded(text)).indexOf(wanted)
      if (at < 0) continue
      const rank = FOUND_IN.indexOf(foundIn) * 2 + (at === 0 ? 0 : 1)
      const excerpt = excerptAt(text, at, wanted.length)
      found.push({ rank, found: { entry: entry.id, label: labelOf(entry), foundIn, excerpt } })
      break
    }
  }
  return found
    .sort((a, b) => a.rank - b.rank)
    .slice(0, most)
    .map((one) => one.found)
}
