import type { Body } from '../plan/entry.ts'
import {
  type Element,
  elementsOf,
  isElement,
  type Node,
  serializeContent,
  textOf,
} from '../standard/fragment.ts'
import { settle } from './containment.ts'
import { indentLines } from './indent.ts'
import { type Marked, markedOf, markSlots, pointersIn, type Slot } from './slots.ts'

/** Main content, parsed once and made whole. */
export interface CompiledBody extends Marked {
  /** Every pointer in it, those within pictures as well. */
  readonly pointers: readonly Slot[]
  readonly hasFirstHeading: boolean
}

/** How deep main content stands in the page. */
const INDENT = 6

const compiled = new WeakMap<Body, CompiledBody>()

/** Whether content brings the first heading of its page: one that says something, and is not in a template. */
function bringsHeading({ childNodes }: { childNodes: Node[] }): boolean {
  return childNodes.some((node) => {
    if (!isElement(node)) return false
    const says = () =>
      textOf(node).trim() !== '' || [...elementsOf(node)].some(({ element }) => hasAlternative(element))
    return (node.tagName === 'h1' && says()) || bringsHeading(node)
  })
}

const hasAlternative = ({ tagName, attrs }: Element) =>
  tagName === 'img' && attrs.some(({ name, value }) => name === 'alt' && value.trim() !== '')

/** Parses and serialises a body on its own, so that nothing left open in it can reach the footer. Remembered. */
export function compileBody(body: Body): CompiledBody {
  const known = compiled.get(body)
  if (known) return known
  const fragment = settle(body.html)
  const hasFirstHeading = bringsHeading(fragment)
  const slots = markSlots(fragment)
  indentLines(fragment, 0, INDENT)
  const marked = markedOf(serializeContent(fragment).trim(), slots)
  const result: CompiledBody = { ...marked, pointers: pointersIn(marked.slots), hasFirstHeading }
  compiled.set(body, result)
  return result
}
