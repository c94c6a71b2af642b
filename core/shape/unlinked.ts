import { type Rewriting, rewritten } from '../pointer/inHtml.ts'
import { readPointer } from '../pointer/pointer.ts'
import type { EntryId } from '../plan/ids.ts'
import { elementsOf, parseMainContent } from '../standard/fragment.ts'

/** Main content in which links to removed entries are plain text; every other byte stays. */
export function unlinked(html: string, isGone: (id: EntryId) => boolean): string {
  if (!/entry:/i.test(html)) return html
  const byStart = new Map<number, Rewriting>()
  const drop = (place: { startOffset: number; endOffset: number } | null | undefined) => {
    if (place) byStart.set(place.startOffset, { start: place.startOffset, end: place.endOffset, text: '' })
  }
  for (const { element } of elementsOf(parseMainContent(html, true))) {
    if (element.tagName !== 'a') continue
    const pointer = readPointer(element.attrs.find(({ name }) => name === 'href')?.value ?? '')
    if (pointer?.to !== 'entry' || !isGone(pointer.id)) continue
    drop(element.sourceCodeLocation?.startTag)
    drop(element.sourceCodeLocation?.endTag)
  }
  return byStart.size === 0
    ? html
    : rewritten(
        html,
        [...byStart.values()].sort((a, b) => a.start - b.start),
      )
}
