import type { Body, PageEntry } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { bodyTree } from '../plan/bodyTree.ts'
import { type Element, elementsOf, type Fragment } from '../standard/fragment.ts'
import type { FindingPlace } from './rule.ts'

/** An element of main content and where its start tag stands in the source. */
export interface PlacedElement {
  readonly element: Element
  readonly start: number
  readonly end: number
  readonly line: number
}

const known = new WeakMap<Fragment, readonly PlacedElement[]>()

/** The elements that an author wrote into main content, in their order. Remembered as long as its tree is. */
export function elementsIn(body: Body): readonly PlacedElement[] {
  const tree = bodyTree(body)
  let elements = known.get(tree)
  if (!elements) {
    elements = [...elementsOf(tree)].flatMap(({ element }) => {
      const at = element.sourceCodeLocation
      const tag = at?.startTag ?? at
      return tag ? [{ element, start: tag.startOffset, end: tag.endOffset, line: tag.startLine }] : []
    })
    known.set(tree, elements)
  }
  return elements
}

export function attributeOf({ element }: PlacedElement, name: string): string | undefined {
  return element.attrs.find((one) => one.name === name)?.value
}

/** Whether an attribute is the target of a link that visitors follow. */
export const isLink = ({ element }: PlacedElement, { name }: { readonly name: string }): boolean =>
  element.tagName === 'a' && name === 'href'

/** A place in the main content of a page. */
export function inContent(
  { id }: { readonly id: EntryId },
  { start, end, line }: { readonly start: number; readonly end: number; readonly line: number },
): FindingPlace {
  return { in: 'content', entry: id, start, end, line }
}

/** The change that writes a part of a page's main content anew. */
export function rewriting(page: PageEntry, start: number, end: number, text: string) {
  const html = page.body.html.slice(0, start) + text + page.body.html.slice(end)
  return { kind: 'setEntry' as const, entry: page.id, field: 'body' as const, value: { ...page.body, html } }
}

/** The change that takes an attribute from an element, with the blank before it. */
export function withoutAttribute(page: PageEntry, { element }: PlacedElement, name: string) {
  const at = element.sourceCodeLocation!.attrs![name]!
  const before = page.body.html.slice(0, at.startOffset)
  return rewriting(page, before.trimEnd().length, at.endOffset, '')
}

/** The change that gives an attribute of an element another value. */
export function withAttribute(page: PageEntry, { element }: PlacedElement, name: string, value: string) {
  const at = element.sourceCodeLocation!.attrs![name]!
  const written = value.replaceAll('&', '&amp;').replaceAll('"', '&quot;')
  return rewriting(page, at.startOffset, at.endOffset, `${name}="${written}"`)
}
