import { itemAt } from '../../standard/present.ts'
import type { PageElement } from '../pages/nodes.ts'
import type { ReadPage } from '../pages/readPage.ts'
import type { LinkGroup } from './linkGroups.ts'

/** What holds more than one part, whatever stands in it. */
const STRUCTURE = /^(?:|html|body|main|article|section|td|th|tr|table|tbody|form|center)$/

/** The nearest element around a stretch that holds nothing else. */
function wrapperOf({ page, container, start, end }: LinkGroup): PageElement | undefined {
  const inside = page.text.slice(start, end).trim()
  for (let at: PageElement | undefined = container; at && !STRUCTURE.test(at.tag); at = at.parent) {
    if (at.start >= start && at.end <= end) continue
    return at.start < start && at.end > end && page.text.slice(at.from, at.to).trim() === inside
      ? at
      : undefined
  }
  return undefined
}

const openTag = ({ text }: ReadPage, { open }: PageElement) => text.slice(open.start, open.end)

/**
 * A part that only some pages have, with the elements that hold nothing else: a page without the part is written without
 * them, too. Where a page without it has such an element, empty or not, the element is no part of it.
 * @param groups of the same place on different pages
 */
export function withWrappers(pages: readonly ReadPage[], groups: readonly LinkGroup[]): readonly LinkGroup[] {
  const having = new Set(groups.map(({ page }) => page))
  const lacking = pages.filter((page) => !having.has(page))
  if (lacking.length === 0) return groups
  for (let all = groups; ;) {
    const wrappers = all.map(wrapperOf)
    const tags = new Set(wrappers.map((one, at) => one && openTag(itemAt(all, at).page, one)))
    const [tag] = tags
    if (tags.size !== 1 || tag === undefined) return all
    const isThere = ({ text, tokens }: ReadPage) =>
      tokens.some((token) => token.kind === 'open' && text.startsWith(tag, token.start))
    if (lacking.some(isThere)) return all
    all = all.map((group, at) => ({
      ...group,
      start: itemAt(wrappers, at).start,
      end: itemAt(wrappers, at).end,
    }))
  }
}
