import { plainName } from '../pages/folder.ts'
import type { Stretch } from '../../standard/pageTokens.ts'
import { elementAround, type PageElement } from '../pages/nodes.ts'
import type { GroupItem, LinkGroup } from './linkGroups.ts'

const isList = ({ tag }: PageElement) => /^(?:ul|ol|dl|menu|dir)$/.test(tag)

/**
 * Menus without the texts at their ends that are no items: “Last changed: 3 May –” before the links of a foot, “© 2024”
 * after them. A text is an item where it names a page: its own, or the one that its page is a copy of.
 * @param names all that pages are called, by themselves and by links
 */
export function withoutEdges(groups: readonly LinkGroup[], names: ReadonlySet<string>): readonly LinkGroup[] {
  return groups.map((group) => {
    const { items, container } = group
    // In lists a text stands above what is under it.
    if (isList(container) || items.some(({ level }) => level > 1)) return group
    const isItem = ({ link, label }: GroupItem) => link !== undefined || names.has(plainName(label))
    const first = items.findIndex(isItem)
    const last = items.findLastIndex(isItem)
    // One link with words around it is a sentence.
    if (first === last || (first === 0 && last === items.length - 1)) return group
    const [before, after] = [items[first - 1], items[last + 1]]
    return {
      ...group,
      items: items.slice(first, last + 1),
      start: before ? outermost(group, items[first]!, ({ start }) => start >= before.end).start : group.start,
      end: after ? outermost(group, items[last]!, ({ end }) => end <= after.start).end : group.end,
    }
  })
}

/** The outermost element that holds an item and no more than `fits` lets it, within what all items stand in. */
function outermost({ container }: LinkGroup, item: GroupItem, fits: (one: Stretch) => boolean): Stretch {
  let found: Stretch = item
  for (
    let at: PageElement | undefined = item.link?.element ?? elementAround(container, item);
    at && at !== container && fits(at);
    at = at.parent
  )
    found = at
  return found
}
