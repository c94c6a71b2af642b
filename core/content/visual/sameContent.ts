import {
  contentOf,
  type Element,
  isElement,
  type Node,
  parseMainContent,
  textOf,
} from '../../standard/fragment.ts'
import { lastOf, valueFor } from '../../standard/present.ts'
import { isBlank, isTextLevel, piecesOf } from './elements.ts'

/** Elements that mean the same when one that ends and the next that begins are written as one. */
const JOINED = new Set(['strong', 'b', 'em', 'i', 's', 'u', 'code', 'a'])

/**
 * Whether two sources are the same content: the same blocks with the same attributes, and in every line the same letters and
 * things, each within the same elements. Free are only white space where it does not show, the order of attributes, and
 * which of two elements around the same letters is the outer one.
 */
export function sameContent(one: string, other: string): boolean {
  return one === other || formOf(one) === formOf(other)
}

/** Everything that a content is, as one text. */
export const formOf = (html: string): string => formOfNodes(parseMainContent(html).childNodes)

/** Everything that some nodes of a content are. */
export function formOfNodes(nodes: readonly Node[]): string {
  const parts: string[] = []
  putBlocks(nodes, parts)
  return parts.join('\n')
}

const tagOf = (element: Element): string =>
  JSON.stringify([
    element.namespaceURI,
    element.tagName,
    element.attrs.map(({ name, value, prefix = '' }) => `${prefix}:${name}=${value}`).sort(),
  ])

function putBlocks(nodes: readonly Node[], parts: string[]): void {
  for (const { block, run } of piecesOf(nodes)) {
    if (run) putLine(run, parts)
    else if (!isElement(block) || !isOpen(block)) putExactly(block, parts)
    else {
      parts.push(tagOf(block))
      putBlocks(block.childNodes, parts)
      parts.push('end')
    }
  }
}

/** Elements whose white space counts, or whose content is none of the text. */
const CLOSED = new Set(
  'pre listing xmp plaintext textarea script style template svg math iframe object video audio noscript select'.split(
    ' ',
  ),
)
const isOpen = ({ tagName }: Element) => !CLOSED.has(tagName)

/** A node with every letter of it. */
function putExactly(node: Node, parts: string[]): void {
  if (!isElement(node)) {
    const text = 'data' in node ? node.data : textOf(node)
    parts.push(JSON.stringify([node.nodeName, text]))
    return
  }
  parts.push(tagOf(node))
  for (const child of contentOf(node).childNodes) putExactly(child, parts)
  parts.push('end')
}

/** Some text, or a thing that stands in it, and the elements it is within. */
interface Sign {
  /** With one space for all white space; empty for a thing. */
  readonly text: string
  readonly thing?: string
  /** Whether a line ends there: white space beside it does not show. */
  readonly isBreak?: boolean
  readonly within: readonly Element[]
}

function putLine(nodes: readonly Node[], parts: string[]): void {
  const signs: Sign[] = []
  const isStart = () => {
    const last = signs.at(-1)
    return !last || last.isBreak === true || last.text.endsWith(' ')
  }
  const trim = () => {
    const last = signs.at(-1)
    if (!last?.text.endsWith(' ')) return
    signs.pop()
    if (last.text !== ' ') signs.push({ ...last, text: last.text.slice(0, -1) })
  }
  const put = (inside: readonly Node[], within: readonly Element[]): void => {
    for (const node of inside) {
      if (node.nodeName === '#text') {
        const all = textOf(node).replace(/[\t\n\f\r ]+/g, ' ')
        const text = isStart() && all.startsWith(' ') ? all.slice(1) : all
        if (text !== '') signs.push({ text, within })
      } else if (isElement(node) && isTextLevel(node) && isFilled(node))
        put(node.childNodes, [...within, node])
      else {
        const isBreak = isElement(node) && node.tagName === 'br'
        if (isBreak) trim()
        const thing: string[] = []
        putExactly(node, thing)
        signs.push({ text: '', thing: thing.join(), within, isBreak })
      }
    }
  }
  put(nodes, [])
  trim()
  const names = namesOf(signs)
  let last: string | undefined
  for (const { text, thing, within } of signs) {
    const elements = within
      .map((one) => valueFor(names, one))
      .sort()
      .join()
    const word = thing ?? `"${text}`
    // Text within the same elements is one, however it is written.
    if (elements === last && thing === undefined && lastOf(parts).startsWith('"'))
      parts.push(`${parts.pop()!}${text}`)
    else {
      if (elements !== last) parts.push(`in ${elements}`)
      parts.push(word)
    }
    last = elements
  }
}

/** Whether an element of a line is more than a place: one that is empty is a thing of its own. */
function isFilled(element: Element): boolean {
  if (element.attrs.length === 0 && element.childNodes.length > 0) return true
  return element.childNodes.some((child) =>
    isElement(child)
      ? !isTextLevel(child) || isFilled(child)
      : child.nodeName !== '#text' || !isBlank(textOf(child)),
  )
}

/** What the elements of a line are called: those alike are told apart by their turn, but for those that may be joined. */
function namesOf(signs: readonly Sign[]): Map<Element, string> {
  const names = new Map<Element, string>()
  const turns = new Map<string, number>()
  for (const { within } of signs)
    for (const element of within) {
      if (names.has(element)) continue
      const tag = tagOf(element)
      const isJoined =
        JOINED.has(element.tagName) &&
        (element.tagName !== 'a' || element.attrs.some(({ name }) => name === 'href'))
      const turn = turns.get(tag) ?? 0
      turns.set(tag, turn + 1)
      names.set(element, isJoined ? tag : `${tag}${turn}`)
    }
  return names
}
