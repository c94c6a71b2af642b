import { unwrapping } from '../answers.ts'
import { attributeOf, elementsIn, inContent, withoutAttribute } from '../bodyElements.ts'
import type { PageRule } from '../rule.ts'

/** Of these a page has one; Viatica writes them around the content. */
const ONCE = new Set(['main', 'banner', 'contentinfo'])

export const secondLandmark: PageRule = {
  id: 'second-landmark',
  group: 'access',
  severity: 'error',
  about: 'landmarks in main content of which a page must have one only',
  source: 'WAI-ARIA Authoring Practices: https://www.w3.org/WAI/ARIA/apg/practices/landmark-regions/',
  from: (_, page) => [page.body],
  find: (_, page) =>
    elementsIn(page.body).flatMap((placed) => {
      const role = attributeOf(placed, 'role') ?? placed.element.tagName
      if (!ONCE.has(role)) return []
      return [
        {
          place: inContent(page, placed),
          words: `The text brings a landmark “${role}” of its own; the page has one already.`,
          gist: role,
          fix:
            attributeOf(placed, 'role') === undefined
              ? unwrapping(page, placed)
              : withoutAttribute(page, placed, 'role'),
        },
      ]
    }),
}
