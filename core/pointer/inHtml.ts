import { escapeAttribute } from '../standard/escape.ts'
import { type Element, elementsOf, isElement, type Node, parseMainContent } from '../standard/fragment.ts'
import { formOf, nameOf, referencesIn, withReferences } from './attributes.ts'
import { withStyleReferences, writeStyleReference } from './styleReferences.ts'

/** A place in a source to be written anew. */
export interface Rewriting {
  readonly start: number
  readonly end: number
  readonly text: string
}

/** A source with some places written anew; these must not overlap. */
export function rewritten(source: string, rewritings: readonly Rewriting[]): string {
  let text = ''
  let from = 0
  for (const { start, end, text: next } of rewritings) {
    text += source.slice(from, start) + next
    from = end
  }
  return text + source.slice(from)
}

/** What becomes of a reference; undefined leaves it as it is. */
type Becomes = (url: string) => string | undefined
type Attribute = Element['attrs'][number]

/** The value of an attribute with some of its references changed. */
export function withReferencesIn(
  attribute: Attribute,
  element: Pick<Element, 'tagName' | 'attrs'>,
  becomes: Becomes,
): string {
  return withReferences(attribute.value, referencesIn(attribute, element), (url, { form }) => {
    const next = becomes(url)
    if (next === undefined || next === url) return undefined
    return form === undefined ? next : writeStyleReference(next, form)
  })
}

/** The places of a source of main content that change with its references, in their order. */
export const changedReferences = (html: string, becomes: Becomes): Rewriting[] =>
  changedReferencesOf(html, parseMainContent(html, true), becomes)

/**
 * Returns the places of a source that change with its references, in their order.
 * @param tree the source as it was parsed, with places
 * @param isMeant whether the references of an attribute are to be changed
 */
export function changedReferencesOf(
  html: string,
  tree: { childNodes: Node[] },
  becomes: Becomes,
  isMeant: (element: Element, attribute: Attribute) => boolean = () => true,
): Rewriting[] {
  const byStart = new Map<number, Rewriting>()
  const put = (start: number, end: number, text: string) => byStart.set(start, { start, end, text })
  for (const { element } of elementsOf(tree)) {
    for (const attribute of element.attrs) {
      const name = nameOf(attribute)
      const at = element.sourceCodeLocation?.attrs?.[name]
      if (!at || formOf(attribute, element) === undefined || !isMeant(element, attribute)) continue
      const value = withReferencesIn(attribute, element, becomes)
      if (value !== attribute.value) put(at.startOffset, at.endOffset, `${name}="${escapeAttribute(value)}"`)
    }
    if (element.tagName !== 'style') continue
    for (const node of element.childNodes) {
      if (isElement(node) || node.nodeName !== '#text' || !node.sourceCodeLocation) continue
      const { startOffset, endOffset } = node.sourceCodeLocation
      const css = html.slice(startOffset, endOffset)
      const next = withStyleReferences(css, becomes)
      if (next !== css) put(startOffset, endOffset, next)
    }
  }
  return [...byStart.values()].sort((a, b) => a.start - b.start)
}

/** A source of main content with some of its references changed; every other byte stays. */
export const withHtmlReferences = (html: string, becomes: Becomes): string =>
  rewritten(html, changedReferences(html, becomes))
