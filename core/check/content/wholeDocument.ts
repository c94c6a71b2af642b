import { parse } from 'parse5'
import type { PageEntry } from '../../plan/entry.ts'
import { isElement, serializeContent } from '../../standard/fragment.ts'
import { markupRule } from './markup.ts'

/** The change that keeps what stands in the body of a document, as browsers read it. */
function bodyAlone(page: PageEntry) {
  const html = parse(page.body.html).childNodes.find(isElement)
  const body = html?.childNodes.find((node) => isElement(node) && node.tagName === 'body')
  if (!body || !isElement(body)) return undefined
  const value = { ...page.body, html: serializeContent(body).trim() }
  return { kind: 'setEntry' as const, entry: page.id, field: 'body' as const, value }
}

/** A page that was pasted whole: of its head and its body element nothing comes out. */
export const wholeDocument = markupRule(
  ['document'],
  {
    id: 'whole-document',
    severity: 'error',
    about: 'whole documents where main content should be',
    source: 'HTML: https://html.spec.whatwg.org/multipage/semantics.html#the-html-element',
  },
  bodyAlone,
)
