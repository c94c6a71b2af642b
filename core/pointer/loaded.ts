import { html as names } from 'parse5'
import type { Element } from '../standard/fragment.ts'
import { nameOf } from './attributes.ts'

/** Attributes that name what a visitor goes to, or a source, and nothing that the page loads. */
const NOT_LOADED: ReadonlySet<string> = new Set(['cite', 'action', 'formaction', 'longdesc', 'content'])

/** Whether a page loads what an attribute names. Of `href`, only those of `link` and of SVG's pictures are loaded. */
export function isLoaded({ tagName, namespaceURI }: Element, attribute: Element['attrs'][number]): boolean {
  const name = nameOf(attribute)
  if (name === 'href' || name === 'xlink:href')
    return namespaceURI === names.NS.SVG ? tagName !== 'a' : tagName === 'link'
  return !NOT_LOADED.has(name)
}
