import type { Element } from '../../standard/fragment.ts'
import { type Kept, packed } from './document.ts'

/** Those of some attributes that an element has. */
export function having(element: Element, names: readonly string[]): Record<string, string> {
  return Object.fromEntries(
    element.attrs.filter(({ name }) => names.includes(name)).map(({ name, value }) => [name, value]),
  )
}

/** The attributes of an element as a text, but for some. */
export function keptOf(element: Element, but: readonly string[] = []): string {
  const kept: Kept = element.attrs
    .filter(({ name }) => !but.includes(name))
    .map(({ name, value }) => [name, value] as const)
  return packed(kept)
}

/** @returns the attributes of a node: those that the editor works with, and all others in one */
export function attrsOf(element: Element, own: Record<string, unknown> = {}): Record<string, unknown> {
  const kept = keptOf(element, Object.keys(own))
  return { ...own, ...(kept === '' ? {} : { kept }) }
}
