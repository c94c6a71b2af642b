import type { Element, ElementContent, Properties, Root, RootContent } from 'hast'
import { fromParse5 } from 'hast-util-from-parse5'
import { parseMainContent } from '../../standard/fragment.ts'

/** Pasted content is worked on as a tree of the kind that the libraries for HTML share (hast). */
export type Parent = Root | Element

export const treeOf = (html: string): Root => fromParse5(parseMainContent(html)) as Root

export const isElement = (node: RootContent | undefined, ...names: readonly string[]): node is Element =>
  node?.type === 'element' && (names.length === 0 || names.includes(node.tagName))

export const element = (
  tagName: string,
  children: ElementContent[],
  properties: Properties = {},
): Element => ({ type: 'element', tagName, properties, children })

export function textIn(node: RootContent): string {
  if (node.type === 'text') return node.value
  return 'children' in node ? node.children.map(textIn).join('') : ''
}

/** Whether a node is white space; a space that does not break is as much as any, where a program put it between blocks. */
export const isGap = (node: RootContent): boolean => node.type === 'text' && node.value.trim() === ''

/** The value of a property in the style of an element, in small letters; empty without one. */
export function styleOf({ properties }: Element, name: string): string {
  const { style } = properties
  if (typeof style !== 'string') return ''
  return new RegExp(`(?:^|;)\\s*${name}\\s*:\\s*([^;]*)`, 'i').exec(style)?.[1]?.trim().toLowerCase() ?? ''
}

export const BLOCKS = new Set(
  (
    'p h1 h2 h3 h4 h5 h6 ul ol li dl dt dd blockquote hr pre table caption colgroup col thead tbody tfoot tr th td figure ' +
    'figcaption div section article header footer main aside nav address center form fieldset details summary'
  ).split(' '),
)

export const isBlock = (node: RootContent): node is Element => isElement(node) && BLOCKS.has(node.tagName)

/** Whether a block stands anywhere in a node. */
export const holdsBlocks = (node: RootContent): boolean =>
  'children' in node && node.children.some((child) => isBlock(child) || holdsBlocks(child))
