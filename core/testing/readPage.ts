import { parse } from 'parse5'
import { type Element, elementsOf, isElement, type Node } from '../standard/fragment.ts'

/** A page as a test looks at it. */
export interface ReadPage {
  readonly elements: readonly Element[]
  /** Those with this tag name, in order. */
  all(tagName: string): Element[]
  /** The tag names of what stands right under `body`. */
  readonly outline: readonly string[]
}

/** Parses a page by the HTML standard. */
export function readPage(html: string): ReadPage {
  const elements = [...elementsOf(parse(html))]
  return {
    elements: elements.map(({ element }) => element),
    all: (tagName) => elements.map(({ element }) => element).filter((element) => element.tagName === tagName),
    outline: elements
      .filter(({ element }) => element.parentNode?.nodeName === 'body')
      .map(({ element }) => element.tagName),
  }
}

/** The value of an attribute; undefined when the element has none. */
export function attribute(element: Element, name: string): string | undefined {
  return element.attrs.find((candidate) => candidate.name === name)?.value
}

/** All text in an element. */
export function textOf(element: Element): string {
  const text = (node: Node): string =>
    isElement(node)
      ? node.childNodes.map(text).join('')
      : node.nodeName === '#text'
        ? (node as { value: string }).value
        : ''
  return text(element)
}

/** Whether an element stands somewhere in one with this tag name. */
export function isInside(element: Element, tagName: string): boolean {
  for (let up = element.parentNode; up && 'tagName' in up; up = up.parentNode)
    if (up.tagName === tagName) return true
  return false
}
