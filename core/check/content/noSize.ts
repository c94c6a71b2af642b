import { attributeOf, elementsIn, inContent } from '../bodyElements.ts'
import type { PageRule } from '../rule.ts'
import { pictures } from './pictures.ts'

/** A picture whose room is known only when it has come: the text jumps then. */
export const noSize: PageRule = {
  id: 'no-size',
  group: 'content',
  severity: 'hint',
  about: 'pictures without width and height',
  source: 'HTML: https://html.spec.whatwg.org/multipage/embedded-content-other.html#dimension-attributes',
  from: (_, page) => [page.body],
  find: (_, page) =>
    pictures(elementsIn(page.body)).flatMap((placed) => {
      if (attributeOf(placed, 'width') && attributeOf(placed, 'height')) return []
      const words = 'A picture has no width and height: the text jumps when it comes.'
      return [{ place: inContent(page, placed), words, gist: attributeOf(placed, 'src') ?? '' }]
    }),
}
