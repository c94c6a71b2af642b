import { elementsIn, inContent } from '../bodyElements.ts'
import type { PageRule } from '../rule.ts'

/** Of what belongs into the head, the worst is `base`: every link after it leads elsewhere. */
const OF_THE_HEAD = new Set(['base', 'meta', 'title'])

export const headInContent: PageRule = {
  id: 'head-in-content',
  group: 'sameness',
  severity: 'error',
  about: 'parts of the head of a page that stand in main content',
  source: 'HTML: https://html.spec.whatwg.org/multipage/dom.html#metadata-content',
  from: (_, page) => [page.body],
  find: (_, page) =>
    elementsIn(page.body).flatMap((placed) => {
      const { tagName, attrs, namespaceURI } = placed.element
      // A title inside of a drawing is its alternative text; microdata may use meta anywhere.
      const isMeant = !namespaceURI.endsWith('/xhtml') || attrs.some(({ name }) => name === 'itemprop')
      if (!OF_THE_HEAD.has(tagName) || isMeant) return []
      return [
        {
          place: inContent(page, placed),
          words: `<${tagName}> belongs into the head of a page, which Viatica writes.`,
          gist: tagName,
        },
      ]
    }),
}
