import { parse } from 'parse5'
import { type Element, isElement, placingAdapter } from '../standard/fragment.ts'

/** An element of a page that may be put into a file of its own, with those inside it that may where it may not itself. */
export interface Candidate {
  /** Where it stands in the source. */
  readonly start: number
  readonly end: number
  /** What it is, or is a part of: one of the landmarks, or `part`. */
  readonly name: string
  readonly inside: readonly Candidate[]
}

/** What is no longer than a call of it is not worth a file. */
const SHORTEST = 200
/** What is nested deeper belongs to what it is nested in. */
const DEEPEST = 6
/** The main content is each page's own; a part of a list or a menu is no part of a page. */
const NOT_ENTERED: ReadonlySet<string> = new Set([
  ...['main', 'article', 'nav', 'ul', 'ol', 'dl', 'p', 'form', 'svg', 'math', 'script', 'style', 'template'],
  ...['h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'a', 'figure', 'pre', 'select', 'noscript'],
])

/** The elements that have a name for what they are. */
const NAMED: ReadonlySet<string> = new Set(['header', 'nav', 'footer', 'aside'])

/** Whether an element stands in the source from its own start tag to its own end tag. */
function placeOf(element: Element): { readonly start: number; readonly end: number } | undefined {
  const place = element.sourceCodeLocation
  return place?.startTag && place.endTag ? { start: place.startOffset, end: place.endOffset } : undefined
}

/** Whether the main content stands in an element, or is it. */
function holdsContent(element: Element): boolean {
  const waiting = [element]
  for (const { tagName, childNodes } of waiting) {
    if (tagName === 'main' || tagName === 'article') return true
    for (const child of childNodes) if (isElement(child)) waiting.push(child)
  }
  return false
}

function candidatesUnder(
  parent: Element,
  [from, to]: readonly [number, number],
  named: string,
  depth: number,
): Candidate[] {
  const found: Candidate[] = []
  let after = from
  for (const child of parent.childNodes) {
    if (!isElement(child)) continue
    const place = placeOf(child)
    // What the parser moved does not stand where its parent does, nor after what is before it.
    if (!place || place.start < after || place.end > to) continue
    after = place.end
    const { tagName } = child
    const name = NAMED.has(tagName) ? tagName : named
    const inside =
      depth < DEEPEST && !NOT_ENTERED.has(tagName)
        ? candidatesUnder(child, [place.start, place.end], name, depth + 1)
        : []
    if (!holdsContent(child) && place.end - place.start >= SHORTEST) found.push({ ...place, name, inside })
    else found.push(...inside)
  }
  return found
}

/** The elements around the main content of a page that may be put into files, in order. */
export function candidatesIn(html: string): Candidate[] {
  const root = parse(html, { sourceCodeLocationInfo: true, treeAdapter: placingAdapter }).childNodes.find(
    isElement,
  )
  const body = root?.childNodes.find(
    (child): child is Element => isElement(child) && child.tagName === 'body',
  )
  return body ? candidatesUnder(body, [0, html.length], 'part', 0) : []
}
