import { attributeOf, elementsIn, inContent, type PlacedElement } from '../bodyElements.ts'
import { COMMON_PRACTICE, type PageRule } from '../rule.ts'

const isStyle = (placed: PlacedElement) =>
  placed.element.tagName === 'style' ||
  (placed.element.tagName === 'link' && /\bstylesheet\b/i.test(attributeOf(placed, 'rel') ?? ''))

/** A page with a style sheet of its own comes to look unlike the others. */
export const ownStyles: PageRule = {
  id: 'own-styles',
  group: 'sameness',
  severity: 'warning',
  about: 'pages with a style sheet that the others do not have',
  source: COMMON_PRACTICE,
  from: (_, page) => [page.body],
  find: (_, page) =>
    elementsIn(page.body)
      .filter(isStyle)
      .map((placed) => ({
        place: inContent(page, placed),
        words: 'This page has a style sheet that the others do not have.',
        gist: attributeOf(placed, 'href') ?? 'style',
      })),
}
