import { isComputed, isText } from '../../render/authorHtml.ts'
import { contentOf, type Element, isElement, type Node, textOf } from '../../standard/fragment.ts'

/** Elements that say what a part of a line is, the text-level ones. https://html.spec.whatwg.org/multipage/text-level-semantics.html */
const TEXT_LEVEL = new Set(
  (
    'a abbr acronym b bdi bdo big cite code data del dfn em font i ins kbd label mark nobr q s samp small span strike ' +
    'strong sub sup time tt u var'
  ).split(' '),
)

/** Blocks that hold blocks, and of which the editor need know no more than that. */
const BOXES = new Set(
  'address article aside center details dialog div fieldset footer form header hgroup main nav search section'.split(
    ' ',
  ),
)

/** Blocks that stand on lines of their own. https://html.spec.whatwg.org/multipage/rendering.html#flow-content-3 */
const BLOCKS = new Set([
  ...BOXES,
  ...'p h1 h2 h3 h4 h5 h6 ul ol dl pre hr table figure blockquote'.split(' '),
  ...'menu dir listing xmp plaintext li dt dd summary legend figcaption frameset'.split(' '),
  ...'caption colgroup col thead tbody tfoot tr td th'.split(' '),
])

const HTML = 'http://www.w3.org/1999/xhtml'

/** Whether an element is one that says what a part of a line is, and holds nothing but parts of lines. */
export const isTextLevel = (element: Element): boolean =>
  element.namespaceURI === HTML && TEXT_LEVEL.has(element.tagName) && !holdsBlocks(element)

/** Whether an element is a block of blocks: one by its kind, or a text-level one around blocks. */
export const isBox = (element: Element): boolean =>
  element.namespaceURI === HTML &&
  (BOXES.has(element.tagName) || (TEXT_LEVEL.has(element.tagName) && holdsBlocks(element)))

/** Whether a node stands on lines of its own. */
export const isBlock = (node: Node): node is Element =>
  isElement(node) &&
  node.namespaceURI === HTML &&
  (BLOCKS.has(node.tagName) ||
    (isComputed(node.tagName) && !isText(node.tagName)) ||
    (TEXT_LEVEL.has(node.tagName) && holdsBlocks(node)))

const known = new WeakMap<Element, boolean>()

/** Whether a block is anywhere in an element. Asked of every element within others, so it is found out once for each. */
export function holdsBlocks(element: Element): boolean {
  const before = known.get(element)
  if (before !== undefined) return before
  const holds = contentOf(element).childNodes.some(
    (child) =>
      isElement(child) && ((child.namespaceURI === HTML && BLOCKS.has(child.tagName)) || holdsBlocks(child)),
  )
  known.set(element, holds)
  return holds
}

/** White space of HTML: not the space that does not break. https://infra.spec.whatwg.org/#ascii-whitespace */
export const isBlank = (text: string): boolean => !/[^\t\n\f\r ]/.test(text)

/** Whether a node is white space and nothing else. */
export const isGap = (node: Node): boolean => node.nodeName === '#text' && isBlank(textOf(node))

/** Whether an element of a line is no more than white space. */
export const isEmptied = (element: Element): boolean =>
  isTextLevel(element) &&
  element.attrs.length === 0 &&
  element.childNodes.length > 0 &&
  element.childNodes.every((child) => isGap(child) || (isElement(child) && isEmptied(child)))

/** Whether a node shows nothing and says nothing. */
const isNothing = (node: Node): boolean => isGap(node) || (isElement(node) && isEmptied(node))

/** A block of main content, or what stands between two blocks, as one line of its own. */
export type Piece =
  | { readonly block: Node; readonly run?: never }
  | { readonly run: readonly Node[]; readonly block?: never }

/** Whether a node shows nothing in a line of its own, or something that is no text: kept by itself where it stands alone. */
const isKeptAlone = (node: Node): boolean =>
  isNothing(node) ||
  node.nodeName === '#comment' ||
  (isElement(node) && !isTextLevel(node) && !['img', 'br'].includes(node.tagName))

/** What stands in an element, taken apart into blocks and what is between them; white space between blocks is left out. */
export function piecesOf(nodes: readonly Node[]): Piece[] {
  const pieces: Piece[] = []
  let run: Node[] = []
  const end = () => {
    if (run.every(isKeptAlone)) {
      for (const block of run) if (!isNothing(block)) pieces.push({ block })
    } else pieces.push({ run })
    run = []
  }
  for (const node of nodes) {
    if (!isBlock(node)) run.push(node)
    else {
      end()
      pieces.push({ block: node })
    }
  }
  end()
  return pieces
}
