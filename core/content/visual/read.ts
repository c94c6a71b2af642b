import { defaultTreeAdapter, type DefaultTreeAdapterTypes } from 'parse5'
import {
  type Element,
  elementsOf,
  isElement,
  type Node,
  parseMainContent,
  serializeContent,
  textOf,
} from '../../standard/fragment.ts'
import { attrsOf, having, keptOf } from './attributes.ts'
import type { DocMark, DocNode } from './document.ts'
import {
  holdsBlocks,
  isBlank,
  isBlock,
  isBox,
  isEmptied,
  isGap,
  isTextLevel,
  type Piece,
  piecesOf,
} from './elements.ts'
import { readTable } from './readTable.ts'
import { sameContent } from './sameContent.ts'
import { isBare } from './wrapping.ts'
import { writeBlocks } from './write.ts'
import { tableOf } from '../../standard/table.ts'

/** Blocks within blocks deeper than this are kept as they are, in one. */
const MOST_NESTED = 16

/** How a content is read: whether each block is tried out, and how deep it stands. */
interface Reading {
  /** Whether each block is written again at once and kept as it is where that is not the same. */
  readonly isTried: boolean
  readonly depth: number
}

const inner = ({ isTried, depth }: Reading): Reading => ({ isTried, depth: depth + 1 })

/**
 * Main content as the visual editor holds it. What the editor has no way to hold stands in it as one block, or one sign
 * within a line, with its own HTML. Nothing is lost: where what was read would not be written as the same content, the blocks
 * that differ are kept as they are, and where even that is not the same, all of it is.
 */
export function readVisual(html: string): DocNode {
  for (const isTried of [false, true]) {
    const doc = docOf(readBlocks(parseMainContent(html).childNodes, 'root', { isTried, depth: 0 }))
    if (sameContent(writeBlocks(doc).join('\n'), html)) return doc
  }
  return docOf([keptBlock(html)])
}

const docOf = (blocks: DocNode[]): DocNode => ({
  type: 'doc',
  content: blocks.length > 0 ? blocks : [{ type: 'paragraph' }],
})

const keptBlock = (html: string): DocNode => ({ type: 'keptBlock', attrs: { html } })

/** Elements whose first line end is none of their text, so that one more is written before it. */
const SKIPS_A_LINE = new Set(['pre', 'listing', 'textarea'])

/** A node of a content as HTML, alone. */
function htmlOf(node: Node): string {
  const fragment = defaultTreeAdapter.createDocumentFragment()
  fragment.childNodes.push(node)
  const texts: DefaultTreeAdapterTypes.TextNode[] = []
  for (const { element } of elementsOf(fragment)) {
    const [first] = element.childNodes
    if (SKIPS_A_LINE.has(element.tagName) && first && 'value' in first && first.value.startsWith('\n'))
      texts.push(first)
  }
  for (const text of texts) text.value = `\n${text.value}`
  const html = serializeContent(fragment)
  for (const text of texts) text.value = text.value.slice(1)
  return html
}

/**
 * The blocks of an element. Where the paragraph of a line is not where one would be written by itself, it says so.
 * @param container the name of the node that will hold them
 */
function readBlocks(nodes: readonly Node[], container: string, reading: Reading): DocNode[] {
  const read = piecesOf(nodes).map((piece) => readPiece(piece, reading))
  return read.map((node, at) => {
    if (node.type !== 'paragraph') return node
    const isWritten = node.attrs?.['wrapped'] === 'bare'
    const { wrapped: _, ...attrs } = node.attrs ?? {}
    const plain = { ...node, attrs }
    const siblings = read.map((one, n) => (n === at ? plain : one))
    // An empty last one at the top would not be written.
    const isPlace = container === 'root' && at === read.length - 1 && !isWritten && node.content!.length === 0
    return !isPlace && isBare(container, siblings, at) === isWritten
      ? plain
      : { ...plain, attrs: { ...attrs, wrapped: isWritten ? 'bare' : 'p' } }
  })
}

function readPiece(piece: Piece, reading: Reading): DocNode {
  if (piece.run) return { type: 'paragraph', attrs: { wrapped: 'bare' }, content: readLine(piece.run) }
  const node = piece.block
  const block = isElement(node) && reading.depth < MOST_NESTED ? readElement(node, reading) : undefined
  if (block && !reading.isTried) return block
  const html = htmlOf(node)
  const isSame = block && sameContent(writeBlocks({ type: 'doc', content: [block] }).join(''), html)
  return isSame ? block : keptBlock(html)
}

/** A block as the editor holds it; undefined where it cannot. */
function readElement(element: Element, reading: Reading): DocNode | undefined {
  const { tagName, childNodes } = element
  if (/^h[1-6]$/.test(tagName)) {
    const line = readOneLine(element)
    const attrs = { ...attrsOf(element, having(element, ['id'])), level: Number(tagName[1]) }
    return line && { type: 'heading', attrs, content: line }
  }
  if (isBox(element)) return readBox(element, reading)
  switch (tagName) {
    case 'p': {
      const line = readOneLine(element)
      return line && { type: 'paragraph', attrs: attrsOf(element), content: line }
    }
    case 'ul':
      return readItems(element, { type: 'bulletList', attrs: attrsOf(element) }, reading)
    case 'ol': {
      const own = having(element, ['type', 'start'])
      const start = Number(own['start'])
      const { start: _, ...type } = own
      const isOwn = Number.isInteger(start) && start !== 1 && String(start) === own['start']
      const attrs = isOwn ? { ...attrsOf(element, own), start } : attrsOf(element, type)
      return readItems(element, { type: 'orderedList', attrs }, reading)
    }
    case 'blockquote':
      return {
        type: 'blockquote',
        attrs: attrsOf(element),
        content: orLine(readBlocks(childNodes, 'blockquote', inner(reading))),
      }
    case 'dl':
      return readDefinitions(element, 'definitionList', reading)
    case 'figure':
      return readFigure(element, reading)
    case 'pre':
      return readCode(element)
    case 'hr':
      return { type: 'horizontalRule', attrs: attrsOf(element) }
    case 'table':
      return readTable(element, (cell, type) => orAuto(readBlocks(cell.childNodes, type, inner(reading))))
    default:
      return undefined
  }
}

/** A block that must hold one holds an empty line. */
const orLine = (blocks: DocNode[]): DocNode[] =>
  blocks.length > 0 ? blocks : [{ type: 'paragraph', attrs: { wrapped: 'bare' } }]

/** Children of an element that must all be of some kinds; undefined where others stand among them. */
function readOnly(element: Element, read: (child: Element) => DocNode | undefined): DocNode[] | undefined {
  const nodes: DocNode[] = []
  for (const child of element.childNodes) {
    if (isGap(child)) continue
    if (child.nodeName === '#comment') {
      nodes.push(keptBlock(htmlOf(child)))
      continue
    }
    const node = isElement(child) ? read(child) : undefined
    if (!node) return undefined
    nodes.push(node)
  }
  return nodes.some(({ type }) => type !== 'keptBlock') ? nodes : undefined
}

function readItems(element: Element, list: DocNode, reading: Reading): DocNode | undefined {
  const content = readOnly(element, (child) =>
    child.tagName === 'li'
      ? {
          type: 'listItem',
          attrs: attrsOf(child),
          content: orAuto(readBlocks(child.childNodes, 'listItem', inner(reading))),
        }
      : undefined,
  )
  return content && { ...list, content }
}

/** An item or a cell must hold a line, and an empty one is written as nothing. */
const orAuto = (blocks: DocNode[]): DocNode[] => (blocks.length > 0 ? blocks : [{ type: 'paragraph' }])

function readDefinitions(element: Element, type: string, reading: Reading): DocNode | undefined {
  const content = readOnly(element, (child) => {
    if (child.tagName === 'dt') {
      const line = readOneLine(child)
      return line && { type: 'term', attrs: attrsOf(child), content: line }
    }
    if (child.tagName === 'dd')
      return {
        type: 'definition',
        attrs: attrsOf(child),
        content: orAuto(readBlocks(child.childNodes, 'definition', inner(reading))),
      }
    if (child.tagName === 'div' && type === 'definitionList')
      return readDefinitions(child, 'definitionGroup', reading)
    return undefined
  })
  return content && { type, attrs: attrsOf(element), content }
}

function readBox(element: Element, reading: Reading): DocNode | undefined {
  const { tagName, childNodes } = element
  const content: DocNode[] = []
  const run: Node[] = []
  const end = () => content.push(...readBlocks(run.splice(0), 'box', inner(reading)))
  for (const child of childNodes) {
    if (isElement(child) && ['summary', 'legend'].includes(child.tagName)) {
      end()
      const line = readOneLine(child)
      if (!line) return undefined
      content.push({ type: 'boxLabel', attrs: { ...attrsOf(child), tag: child.tagName }, content: line })
    } else run.push(child)
  }
  end()
  return { type: 'box', attrs: { ...attrsOf(element), tag: tagName }, content: orLine(content) }
}

function readFigure(element: Element, reading: Reading): DocNode | undefined {
  const content: DocNode[] = []
  const run: Node[] = []
  const end = () => content.push(...readBlocks(run.splice(0), 'figure', inner(reading)))
  const isAlone = (at: number, step: 1 | -1): boolean => {
    const next = element.childNodes[at + step]
    if (!next) return true
    if (isGap(next)) return isAlone(at + step, step)
    return isElement(next) && (next.tagName === 'figcaption' || isBlock(next))
  }
  for (const [at, child] of element.childNodes.entries()) {
    if (!isElement(child)) run.push(child)
    else if (child.tagName === 'figcaption') {
      end()
      const line = readOneLine(child)
      if (!line) return undefined
      content.push({ type: 'figcaption', attrs: attrsOf(child), content: line })
    } else if (child.tagName === 'img' && isAlone(at, 1) && isAlone(at, -1)) {
      end()
      content.push(readPicture(child, 'figureImage'))
    } else run.push(child)
  }
  end()
  return content.length > 0 ? { type: 'figure', attrs: attrsOf(element), content } : undefined
}

function readCode(element: Element): DocNode | undefined {
  const [only] = element.childNodes
  const isOnly = element.childNodes.length === 1 && only !== undefined && isElement(only)
  const code = isOnly && only.tagName === 'code' ? only : undefined
  const holder = code ?? element
  if (holder.childNodes.some((child) => child.nodeName !== '#text')) return undefined
  const text = textOf(holder)
  return {
    type: 'codeBlock',
    attrs: { ...attrsOf(element), code: code ? keptOf(code) : null },
    ...(text === '' ? {} : { content: [{ type: 'text', text }] }),
  }
}

/** The attributes of a picture that the editor works with. */
const PICTURE = ['src', 'alt', 'title', 'width', 'height']
const readPicture = (element: Element, type: 'image' | 'figureImage'): DocNode => ({
  type,
  attrs: attrsOf(element, having(element, PICTURE)),
})

/** What stands in an element that is one line; undefined where blocks stand in it. */
function readOneLine(element: Element): DocNode[] | undefined {
  return holdsBlocks(element) ? undefined : readLine(element.childNodes)
}

/** The marks of the editor for elements of a line. */
const MARKS = tableOf<string>({
  strong: 'bold',
  b: 'bold',
  em: 'italic',
  i: 'italic',
  s: 'strike',
  u: 'underline',
  code: 'code',
  a: 'link',
})

/** Tells elements apart that are alike and stand beside each other: as one mark, they would become one. */
let turn = 0

function markOf(element: Element, above: readonly DocMark[]): DocMark {
  const { tagName } = element
  const type = MARKS.get(tagName)
  const href = element.attrs.find(({ name }) => name === 'href')?.value
  // One mark of a kind is all that a part of a text can have; an element within one of its kind is kept as any other.
  const isFree = type !== undefined && !above.some((mark) => mark.type === type)
  if (!isFree || (type === 'link' && href === undefined))
    return { type: 'element', attrs: { ...attrsOf(element), tag: tagName, turn: turn++ } }
  if (type === 'link') return { type, attrs: attrsOf(element, { href: href! }) }
  return {
    type,
    attrs: { ...attrsOf(element), ...(type === 'bold' || type === 'italic' ? { tag: tagName } : {}) },
  }
}

/** Whether an element of a line shows something: else it is kept as it is, as a mark is one of something. */
function shows(element: Element): boolean {
  return element.childNodes.some((child) =>
    isElement(child)
      ? !isTextLevel(child) || shows(child)
      : child.nodeName === '#text' && !isBlank(textOf(child)),
  )
}
/** A line of text, with its white space as browsers show it. */
function readLine(nodes: readonly Node[]): DocNode[] {
  const line: DocNode[] = []
  const put = (node: DocNode, marks: readonly DocMark[]) =>
    line.push(marks.length > 0 ? { ...node, marks } : node)
  const read = (inside: readonly Node[], marks: readonly DocMark[]): void => {
    for (const node of inside) {
      if (node.nodeName === '#text') {
        const text = textOf(node)
        if (text !== '') put({ type: 'text', text }, marks)
      } else if (!isElement(node)) put({ type: 'keptInline', attrs: { html: htmlOf(node) } }, marks)
      else if (node.tagName === 'br') put({ type: 'hardBreak', attrs: attrsOf(node) }, marks)
      else if (node.tagName === 'img') put(readPicture(node, 'image'), marks)
      else if (isTextLevel(node) && (shows(node) || isEmptied(node)))
        read(node.childNodes, [...marks, markOf(node, marks)])
      else put({ type: 'keptInline', attrs: { html: htmlOf(node) } }, marks)
    }
  }
  read(nodes, [])
  return collapsed(line)
}

/** White space as one space, and none at the ends of a line. https://drafts.csswg.org/css-text/#white-space-phase-1 */
function collapsed(line: readonly DocNode[]): DocNode[] {
  const out: DocNode[] = []
  const isEnd = (node: DocNode | undefined) => node === undefined || node.type === 'hardBreak'
  for (const node of line) {
    if (node.text === undefined) {
      if (node.type === 'hardBreak') trimEnd(out)
      out.push(node)
      continue
    }
    const last = out.at(-1)
    let text = node.text.replace(/[\t\n\f\r ]+/g, ' ')
    if (isEnd(last) || last?.text?.endsWith(' ')) text = text.replace(/^ /, '')
    if (text !== '') out.push({ ...node, text })
  }
  trimEnd(out)
  return out
}

function trimEnd(line: DocNode[]): void {
  const last = line.at(-1)
  if (last?.text === undefined || !last.text.endsWith(' ')) return
  line.pop()
  const text = last.text.slice(0, -1)
  if (text !== '') line.push({ ...last, text })
}
