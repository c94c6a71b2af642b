import { addressesOf } from '../address/addresses.ts'
import { labelOf } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { readPointer } from '../pointer/pointer.ts'
import { compileBody } from '../render/body.ts'
import { valueFor } from '../standard/present.ts'

/** A link that leads to a page from the text of another, or from the plan. */
export interface LinkIn {
  readonly from: EntryId
  readonly label: string
  /** How many links there are; with which fragments, where they name any. */
  readonly count: number
  readonly fragments: readonly string[]
}

/** The links in texts, and the links of the plan, that lead to a page. */
export function linksInto(site: Site, page: EntryId): LinkIn[] {
  const found: LinkIn[] = []
  for (const { entry } of walk(site.plan)) {
    const fragments =
      entry.kind === 'page'
        ? compileBody(entry.body).pointers.flatMap((slot) =>
            slot.to === 'entry' && slot.id === page ? [slot.fragment] : [],
          )
        : entry.kind === 'link' && entry.target.to === 'entry' && entry.target.entry === page
          ? [entry.target.fragment]
          : []
    if (fragments.length > 0) {
      const named = [...new Set(fragments.filter((fragment) => fragment !== ''))]
      found.push({ from: entry.id, label: labelOf(entry), count: fragments.length, fragments: named })
    }
  }
  return found
}

/** Where a pointer of main content leads now, in words; undefined for what is no pointer. */
export function whereItLeads(
  site: Site,
  pointer: string,
): { readonly words: string; readonly isThere: boolean } | undefined {
  const read = readPointer(pointer)
  if (!read) return undefined
  const { to, id, fragment } = read
  if (to === 'site-file') {
    const file = site.files.get(id)
    return file ? { words: file.path, isThere: true } : { words: 'a file that is gone', isThere: false }
  }
  const entry = site.plan.entries.get(id)
  if (entry?.kind !== 'page') return { words: 'nowhere', isThere: false }
  const path = valueFor(addressesOf(site).paths, id)
  const words = `${labelOf(entry)} (${path}${fragment ? `#${fragment}` : ''})`
  return isWritten(site, entry) ? { words, isThere: true } : { words: `${words}, planned`, isThere: false }
}
