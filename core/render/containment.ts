import { html as names, parse } from 'parse5'
import {
  contentOf,
  type Element,
  elementsOf,
  type Fragment,
  isElement,
  type Node,
  parseMainContent,
  serializeContent,
} from '../standard/fragment.ts'
import { escapeText } from '../standard/escape.ts'
import { itemAt } from '../standard/present.ts'

/** Marks the place of an address that is to be written. */
export const SLOT_MARK = '\u0001'
/** Marks the places of computed parts in a piece's own HTML. */
export const CALL_MARK = '\u0002'
const MARKS = new RegExp(`[${SLOT_MARK}${CALL_MARK}]`, 'g')
const withoutMarks = (text: string) => text.replace(MARKS, '')

/**
 * Elements whose parsing rules are such that what the parser made of them and was written out, everything closed, reads
 * the same again: none of them changes how what follows is read once its end tag has come. What has any other element is
 * tried out. https://html.spec.whatwg.org/multipage/parsing.html#parsing-main-inbody
 */
const PLAIN = new Set(
  (
    'a abbr address article aside audio b bdi bdo blockquote br cite code data dd del details dfn div dl dt em figcaption ' +
    'figure footer h1 h2 h3 h4 h5 h6 header hgroup hr i img ins kbd li main mark nav ol p picture q s samp section small ' +
    'source span strong sub summary sup time track u ul var video wbr'
  ).split(' '),
)

const isPlain = ({ tagName, namespaceURI }: Element) => namespaceURI === names.NS.HTML && PLAIN.has(tagName)

/**
 * Whether content, put into a page as it stands, is inside of main to its last character, and leaves the footer and the
 * outermost elements alone. With scripts on, `noscript` is text up to its end tag; with scripts off, it holds elements.
 */
export function staysInside(content: string): boolean {
  const modes = /<noscript/i.test(content) ? [true, false] : [true]
  return modes.every((scriptingEnabled) => {
    const page = parse(
      `<!doctype html><html><head></head><body><main>${content}<i id="end"></i></main><footer>x</footer></body></html>`,
      { scriptingEnabled },
    )
    const html = page.childNodes.find(isElement)!
    const [head, body] = html.childNodes.filter(isElement)
    const [main, footer, ...others] = body!.childNodes.filter(isElement)
    const last = main?.childNodes.at(-1)
    return (
      html.attrs.length === 0 &&
      head!.childNodes.length === 0 &&
      body!.attrs.length === 0 &&
      main?.tagName === 'main' &&
      last !== undefined &&
      isElement(last) &&
      last.attrs[0]?.value === 'end' &&
      last.childNodes.length === 0 &&
      footer?.tagName === 'footer' &&
      footer.childNodes.length === 1 &&
      itemAt(footer.childNodes, 0).nodeName === '#text' &&
      others.length === 0
    )
  })
}

/**
 * Content parsed until, written out, it stays where it is put and reads the same there; what never settles is shown as
 * text.
 */
export function settle(source: string): Fragment {
  let fragment = mended(parseMainContent(withoutMarks(source)))
  for (let tries = 0; tries < 3; tries++) {
    if ([...elementsOf(fragment)].every(({ element }) => isPlain(element))) return fragment
    const content = serializeContent(fragment)
    if (staysInside(content)) return fragment
    fragment = mended(parseMainContent(content))
  }
  return asText(source)
}

/** A source that is shown as it stands. */
export const asText = (source: string): Fragment =>
  parseMainContent(`<pre>${escapeText(withoutMarks(source))}</pre>`)

/** Every text node in a tree. */
export function* textsOf(parent: { childNodes: Node[] }): Generator<{ value: string }> {
  for (const node of parent.childNodes) {
    if (isElement(node)) yield* textsOf(contentOf(node))
    else if (node.nodeName === '#text') yield node as { value: string }
  }
}

/** Takes marks like ours out of the author's text, and mends what cannot be closed, is shared, or reaches out. */
function mended(fragment: Fragment): Fragment {
  for (const text of textsOf(fragment)) text.value = withoutMarks(text.value)
  for (const { element } of [...elementsOf(fragment)]) {
    // Of a formatting element that is opened anew the parser makes several, which share their attributes.
    element.attrs = element.attrs.map((attribute) => ({
      ...attribute,
      value: withoutMarks(attribute.value),
    }))
    if (element.namespaceURI !== names.NS.HTML) continue
    // The parsing rules have no end tag for plaintext: it would take the rest of the page.
    if (element.tagName === 'plaintext') element.tagName = element.nodeName = 'pre'
    // It would lead every link of the page elsewhere.
    if (element.tagName === 'base') {
      const { childNodes } = element.parentNode!
      childNodes.splice(childNodes.indexOf(element), 1)
    }
  }
  return fragment
}
