import { lastOf } from '../../standard/present.ts'
import type { ElementContent, Root, RootContent } from 'hast'
import { sanitize } from 'hast-util-sanitize'
import { toHtml } from 'hast-util-to-html'
import { escapeText } from '../../standard/escape.ts'
import { fragmentFault } from '../../standard/fragment.ts'
import { tidyHtml } from '../tidyHtml.ts'
import { copiedOf } from './copied.ts'
import { nameBySense } from './emphasis.ts'
import { KEPT } from './kept.ts'
import { makeLists, nestLists } from './lists.ts'
import { makeParagraphs } from './paragraphs.ts'
import { isElement, isGap, type Parent, treeOf } from './tree.ts'

/**
 * HTML from the clipboard, as a word processor, a table of figures or a web page put it there, without what only says how it
 * looked there: classes, styles, spans, scripts. Its paragraphs, lists, tables, links and emphasis stay.
 */
export function cleanPaste(html: string): string {
  // What is nested past all sense, or would become far more than it is, comes in as text.
  if (fragmentFault(html) !== undefined) return `<p>${escapeText(html.replace(/<[^<>]*>/g, ' '))}</p>`
  const tree = treeOf(copiedOf(html))
  makeLists(tree)
  nameBySense(tree)
  makeParagraphs(tree)
  nestLists(tree)
  // Signs of lists may stand in what has only now become a paragraph.
  makeLists(tree)
  const clean = sanitize(tree, KEPT) as Root
  tidy(clean)
  return tidyHtml(toHtml(clean))
}

const EMPTIED = new Set([
  'p',
  'h1',
  'h2',
  'h3',
  'h4',
  'h5',
  'h6',
  'li',
  'strong',
  'em',
  's',
  'sub',
  'sup',
  'a',
])
/** Where a paragraph that is all there is needs no element of its own. */
const TIGHT = ['li', 'td', 'th', 'dd', 'dt', 'figcaption', 'caption']

/** Takes out what holds nothing, and makes hard spaces and line ends plain ones. */
function tidy(parent: Parent): void {
  const kept: RootContent[] = []
  for (const child of parent.children) {
    if (child.type === 'text') child.value = child.value.replace(/[\s\u00a0]+/g, ' ')
    if (isElement(child) && child.tagName !== 'pre') {
      tidy(child)
      const isPicture = child.tagName === 'img' && child.properties['src'] === undefined
      const isNoLink = child.tagName === 'a' && child.properties['href'] === undefined
      if (isNoLink) {
        kept.push(...child.children)
        continue
      }
      const isEmpty =
        EMPTIED.has(child.tagName) && child.children.every((one) => isGap(one) || isElement(one, 'br'))
      if (isPicture || isEmpty) {
        // The space between two words may stand in an element of its own.
        if (isEmpty && child.children.length > 0 && !/^(p|h\d|li)$/.test(child.tagName))
          kept.push({ type: 'text', value: ' ' })
        continue
      }
    }
    kept.push(child)
  }
  parent.children = (isElement(parent as RootContent, ...TIGHT) ? unwrapped(kept) : kept) as ElementContent[]
}

/** The content of an item or a cell without the paragraph that is all its text, and without a break that ends it. */
function unwrapped(nodes: readonly RootContent[]): RootContent[] {
  const full = nodes.filter((node) => !isGap(node))
  const [first, ...others] = full
  const isAll = isElement(first, 'p') && others.every((node) => isElement(node, 'ul', 'ol'))
  const content = isAll ? [...first.children, ...others] : [...nodes]
  while (content.length > 0 && (isGap(lastOf(content)) || isElement(content.at(-1), 'br'))) content.pop()
  return content
}
