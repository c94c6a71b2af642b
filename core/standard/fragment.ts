import {
  defaultTreeAdapter,
  type DefaultTreeAdapterTypes,
  html,
  parseFragment,
  serialize,
  serializeOuter,
} from 'parse5'

export type Fragment = DefaultTreeAdapterTypes.DocumentFragment
export type Element = DefaultTreeAdapterTypes.Element
export type Node = DefaultTreeAdapterTypes.ChildNode

/** Deeper than any document needs, and shallower than browsers start to flatten (512). */
const MAX_NESTED = 256

/**
 * Builds trees as the parser's own adapter does, but sets the ends of places where they are. The parser tells the end of
 * a text after each of its words, and the other copies the whole place each time, which takes longer than parsing.
 */
export const placingAdapter: typeof defaultTreeAdapter = {
  ...defaultTreeAdapter,
  updateNodeSourceCodeLocation(node, end) {
    if (node.sourceCodeLocation) Object.assign(node.sourceCodeLocation, end)
    else defaultTreeAdapter.updateNodeSourceCodeLocation(node, end)
  },
}

/**
 * Parses main content as a browser parses what stands inside `main`: `html`, `head` and `body` tags of its own
 * are passed over, and what is left open is closed at the end. What stands in `noscript` is read as without scripts.
 * https://html.spec.whatwg.org/multipage/parsing.html#parsing-html-fragments
 * @param withPlaces whether each node says where it stands in the source, which takes longer
 */
export function parseMainContent(source: string, withPlaces = false): Fragment {
  const main = defaultTreeAdapter.createElement('main', html.NS.HTML, [])
  return parseFragment(main, source, {
    sourceCodeLocationInfo: withPlaces,
    scriptingEnabled: false,
    treeAdapter: withPlaces ? placingAdapter : defaultTreeAdapter,
  })
}

/** Main content, or what stands in an element, as HTML, everything closed. https://html.spec.whatwg.org/multipage/parsing.html#serialising-html-fragments */
export const serializeContent = (parent: Fragment | Element): string =>
  serialize(parent, { scriptingEnabled: false })

/** An element of main content with all in it. */
export const serializeElement = (element: Element): string =>
  serializeOuter(element, { scriptingEnabled: false })

/** Whether a node is an element. */
export function isElement(node: Node): node is Element {
  return 'tagName' in node
}

/** The text of a node and all inside of it. */
export function textOf(node: Node): string {
  if (isElement(node)) return node.childNodes.map(textOf).join('')
  return node.nodeName === '#text' ? (node as { value: string }).value : ''
}

/** Every element of a fragment or document in document order, with its depth (0 at the top). Contents of `template` too. */
export function* elementsOf(fragment: {
  childNodes: Node[]
}): Generator<{ element: Element; depth: number }> {
  const waiting: { node: Node; depth: number }[] = []
  const push = (parent: { childNodes: Node[] }, depth: number) => {
    for (let i = parent.childNodes.length - 1; i >= 0; i--)
      waiting.push({ node: parent.childNodes[i]!, depth })
  }
  push(fragment, 0)
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    if (!isElement(next.node)) continue
    yield { element: next.node, depth: next.depth }
    push(contentOf(next.node), next.depth + 1)
  }
}

/** Where the children of an element are: those of a `template` stand in a fragment of their own. */
export function contentOf(element: Element): { childNodes: Node[] } {
  return element.tagName === 'template' && 'content' in element
    ? (element as DefaultTreeAdapterTypes.Template).content
    : element
}

/** Ends the parsing of what is not accepted, with the reason. */
class Unacceptable extends Error {}

/**
 * How much a browser may make of a source, counted in characters of tags: formatting elements that are not closed are
 * opened anew in every paragraph after them, so that a small text can become a very large page.
 */
const mostMade = (source: string) => 100_000 + 8 * source.length

/** Stops the parser where a source becomes too deep or too much, before it has made all of it. */
function watchingAdapter(source: string): typeof defaultTreeAdapter {
  const most = mostMade(source)
  let made = 0
  let depth = 0
  return {
    ...placingAdapter,
    createElement(tagName, namespace, attributes) {
      made += 2 * tagName.length + 5
      for (const { name, value } of attributes) made += name.length + value.length + 4
      if (made > most)
        throw new Unacceptable(
          'Too many elements are left open: browsers open them anew in every paragraph, which makes too large a page.',
        )
      return defaultTreeAdapter.createElement(tagName, namespace, attributes)
    },
    onItemPush(element) {
      // The fragment itself is the first.
      if (++depth <= MAX_NESTED + 1) return
      const line = element.sourceCodeLocation?.startLine
      throw new Unacceptable(
        `Elements are nested more than ${MAX_NESTED} deep${line ? ` at line ${line}` : ''}.`,
      )
    },
    onItemPop() {
      depth--
    },
  }
}

/** Why HTML cannot be kept as main content, in words with the line; undefined when it can. */
export function fragmentFault(source: string): string | undefined {
  // Without `<` so many times there is nothing to nest, and no need to parse.
  if (source.split('<', MAX_NESTED + 2).length <= MAX_NESTED) return undefined
  // Places take as long again as parsing, and are only needed where something is wrong.
  return faultWhile(source, false) && faultWhile(source, true)
}

function faultWhile(source: string, withPlaces: boolean): string | undefined {
  const main = defaultTreeAdapter.createElement('main', html.NS.HTML, [])
  try {
    parseFragment(main, source, {
      sourceCodeLocationInfo: withPlaces,
      scriptingEnabled: false,
      treeAdapter: watchingAdapter(source),
    })
  } catch (error) {
    if (error instanceof Unacceptable) return error.message
    throw error
  }
  return undefined
}
