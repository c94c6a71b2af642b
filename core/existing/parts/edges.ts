import { plainName } from '../pages/folder.ts'
import type { PageElement } from '../pages/nodes.ts'
import type { GroupItem, LinkGroup } from './linkGroups.ts'

const isList = ({ tag }: PageElement) => /^(?:ul|ol|dl|menu|dir)$/.test(tag)

/**
 * Menus without the texts at their ends that are no items: “Last changed: 3 May –” before the links of a foot, “© 2024”
 * after them. A text is an item where it stands for its page, or where other pages have it as a link.
 * @param groups one menu on different pages
 * @param keysOf what the items of each are; `=label` for one that leads nowhere and does not stand for its page
 */
export function withoutEdges(
  groups: readonly LinkGroup[],
  keysOf: (group: LinkGroup) => readonly string[],
): readonly LinkGroup[] {
  const linked = new Set(
    groups.flatMap(({ items }) => items.flatMap(({ link, label }) => (link ? [plainName(label)] : []))),
  )
  return groups.map((group) => {
    const { items, container } = group
    // In lists a text stands above what is under it.
    if (isList(container) || items.some(({ level }) => level > 1)) return group
    const keys = keysOf(group)
    const isItem = ({ link, label }: GroupItem, at: number) =>
      link !== undefined || !keys[at]!.startsWith('=') || linked.has(plainName(label))
    const first = items.findIndex(isItem)
    const last = items.findLastIndex(isItem)
    if (first < 0 || (first === 0 && last === items.length - 1)) return group
    const [before, after] = [items[first - 1], items[last + 1]]
    return {
      ...group,
      items: items.slice(first, last + 1),
      start: before ? outerStart(group, items[first]!, before.end) : group.start,
      end: after ? outerEnd(group, items[last]!, after.start) : group.end,
    }
  })
}

/** Where the elements begin that hold an item, and nothing of what stands before it. */
function outerStart({ container }: LinkGroup, { link, start }: GroupItem, least: number): number {
  let from = start
  for (let at = link?.element.parent; at && at !== container && at.start >= least; at = at.parent)
    from = at.start
  return from
}

/** Where the elements end that hold an item, and nothing of what stands after it. */
function outerEnd({ container }: LinkGroup, { link, end }: GroupItem, most: number): number {
  let to = end
  for (let at = link?.element.parent; at && at !== container && at.end <= most; at = at.parent) to = at.end
  return to
}
