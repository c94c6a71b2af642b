import type { Element, ElementContent } from 'hast'
import { element, isElement, type Parent, styleOf } from './tree.ts'
import { tableOf } from '../../standard/table.ts'

const PLAIN_NAMES = tableOf<string>({ b: 'strong', i: 'em', strike: 's', del: 's' })

/** What the style of a piece of text says that it is, the outermost first. */
function saidByStyle(node: Element): string[] {
  const said: string[] = []
  if (/^(bold|bolder|[6-9]00)/.test(styleOf(node, 'font-weight'))) said.push('strong')
  if (/^(italic|oblique)/.test(styleOf(node, 'font-style'))) said.push('em')
  if (styleOf(node, 'text-decoration').includes('line-through')) said.push('s')
  const align = styleOf(node, 'vertical-align')
  if (align === 'super') said.push('sup')
  if (align === 'sub') said.push('sub')
  return said
}

/** Whether an element says by its style that it is not what its name says: some editors wrap all that is copied in such a one. */
const isDenied = (node: Element) =>
  (isElement(node, 'b', 'strong') && /^(normal|400)/.test(styleOf(node, 'font-weight'))) ||
  (isElement(node, 'i', 'em') && styleOf(node, 'font-style') === 'normal')

/** Plain names for elements that only say how text looks, and emphasis that was said by style. Headings are strong as they are. */
export function nameBySense(parent: Parent, isStrong = false): void {
  for (const child of parent.children) {
    if (!isElement(child)) continue
    const isHeading = /^(h[1-6]|th)$/.test(child.tagName)
    nameBySense(child, isStrong || isHeading)
    if (isDenied(child)) child.tagName = 'span'
    child.tagName = PLAIN_NAMES.get(child.tagName) ?? child.tagName
    if (isElement(child, 'strong') && isStrong) child.tagName = 'span'
    if (!isElement(child, 'span', 'font')) continue
    const said = saidByStyle(child).filter((name) => name !== 'strong' || !isStrong)
    for (const name of said.reverse()) child.children = [element(name, child.children)] as ElementContent[]
  }
}
