import type { Element, ElementContent, Properties, Root, RootContent } from 'hast'
import { sanitize, type Schema } from 'hast-util-sanitize'
import { treeOf, writeTidy } from './tidyHtml.ts'

/** What pasted content keeps: what a text is made of, and none of how it looked where it came from. */
const KEPT: Schema = {
  tagNames: [
    ...[
      'h1',
      'h2',
      'h3',
      'h4',
      'h5',
      'h6',
      'p',
      'ul',
      'ol',
      'li',
      'dl',
      'dt',
      'dd',
      'blockquote',
      'cite',
      'q',
      'hr',
    ],
    ...['em', 'strong', 'code', 'pre', 'br', 'a', 'img', 'figure', 'figcaption', 'sub', 'sup', 'abbr'],
    ...['table', 'caption', 'thead', 'tbody', 'tfoot', 'tr', 'th', 'td'],
  ],
  attributes: {
    a: ['href', 'title'],
    img: ['src', 'alt', 'width', 'height'],
    ol: ['start'],
    th: ['colSpan', 'rowSpan', 'scope'],
    td: ['colSpan', 'rowSpan'],
    blockquote: ['cite'],
    q: ['cite'],
    abbr: ['title'],
  },
  protocols: {
    href: ['http', 'https', 'mailto', 'tel', 'entry'],
    src: ['http', 'https', 'site-file'],
    cite: ['http', 'https'],
  },
  // What is inside of these is no text.
  strip: [
    'script',
    'style',
    'title',
    'xml',
    'head',
    'noscript',
    'template',
    'svg',
    'math',
    'iframe',
    'object',
  ],
  allowComments: false,
}

const PLAIN_NAMES: Readonly<Record<string, string>> = { b: 'strong', i: 'em' }

type Parent = Root | Element

const isElement = (node: RootContent): node is Element => node.type === 'element'
const styleOf = ({ properties }: Element) =>
  typeof properties['style'] === 'string' ? properties['style'] : ''

/** The level of a paragraph that a word processor shows as an item of a list; undefined for any other. */
function itemLevel(node: RootContent): number | undefined {
  const level =
    isElement(node) && node.tagName === 'p' ? /mso-list:[^;]*\blevel(\d)/.exec(styleOf(node)) : null
  return level ? Number(level[1]) : undefined
}

/** The sign before an item, which the word processor wrote as text; taken out of the paragraph. */
function takeSign(item: Element): string {
  const at = item.children.findIndex(
    (child) => isElement(child) && /mso-list:\s*ignore/i.test(styleOf(child)),
  )
  if (at < 0) return ''
  const [sign] = item.children.splice(at, 1)
  return textIn(sign as Element).trim()
}

function textIn(node: RootContent): string {
  if (node.type === 'text') return node.value
  return 'children' in node ? node.children.map(textIn).join('') : ''
}

const element = (tagName: string, children: ElementContent[], properties: Properties = {}): Element => ({
  type: 'element',
  tagName,
  properties,
  children,
})

/** Makes lists of the paragraphs that a word processor showed as such. */
function makeLists(parent: Parent): void {
  const made: RootContent[] = []
  /** The lists that are open, the outermost first. */
  let open: { level: number; list: Element }[] = []
  for (const child of parent.children) {
    const level = itemLevel(child)
    if (level === undefined) {
      const isGap = child.type === 'text' && child.value.trim() === ''
      if (isGap && open.length > 0) continue
      open = []
      if (isElement(child)) makeLists(child)
      made.push(child)
      continue
    }
    const sign = takeSign(child as Element)
    open = open.filter((one) => one.level <= level)
    if (open.at(-1)?.level !== level) {
      const list = element(/^[\da-z]{1,3}[.)]/i.test(sign) ? 'ol' : 'ul', [])
      const above = open.at(-1)?.list.children.at(-1)
      if (above && isElement(above)) above.children.push(list)
      else made.push(list)
      open = [...open, { level, list }]
    }
    open.at(-1)!.list.children.push(element('li', (child as Element).children))
  }
  parent.children = made as ElementContent[]
}

/** Plain names for elements that only say how text looks, and bold and italic that were said by style. */
function nameBySense(parent: Parent): void {
  for (const child of parent.children) {
    if (!isElement(child)) continue
    nameBySense(child)
    const style = styleOf(child)
    if (child.tagName === 'span' && /font-weight:\s*(bold|[6-9]00)/.test(style)) child.tagName = 'strong'
    else if (child.tagName === 'span' && /font-style:\s*italic/.test(style)) child.tagName = 'em'
    // Some editors wrap all that is copied in one that is bold and says at once that it is not.
    else if (child.tagName === 'b' && /font-weight:\s*normal/.test(style)) child.tagName = 'span'
    else child.tagName = PLAIN_NAMES[child.tagName] ?? child.tagName
  }
}

const EMPTIED = new Set(['p', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'li', 'strong', 'em', 'a'])

/** Takes out what holds nothing, and makes hard spaces and line ends plain ones. */
function takeOutEmpty(parent: Parent): void {
  const kept: RootContent[] = []
  for (const child of parent.children) {
    if (child.type === 'text') child.value = child.value.replace(/[\s\u00a0]+/g, ' ')
    if (isElement(child) && child.tagName !== 'pre') {
      takeOutEmpty(child)
      const isPicture = child.tagName === 'img' && child.properties['src'] === undefined
      const isEmpty =
        EMPTIED.has(child.tagName) &&
        child.children.every((one) => one.type === 'text' && one.value.trim() === '')
      if (isEmpty || isPicture) continue
    }
    kept.push(child)
  }
  parent.children = kept as ElementContent[]
}

/**
 * HTML from the clipboard, as a word processor or a web page put it there, without what only says how it looked there:
 * classes, styles, spans, scripts. Its lists, tables, links and emphasis stay.
 */
export function cleanPaste(html: string): string {
  // What stands around the copied part is told by comments, where the system does so.
  const copied = /<!--StartFragment-->([\s\S]*)<!--EndFragment-->/.exec(html)?.[1] ?? html
  const tree = treeOf(copied)
  makeLists(tree)
  nameBySense(tree)
  const clean = sanitize(tree, KEPT) as Root
  takeOutEmpty(clean)
  return writeTidy(clean)
}
