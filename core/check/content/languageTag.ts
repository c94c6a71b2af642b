import { isLanguageTag } from '../../standard/language.ts'
import { attributeOf, elementsIn, inContent } from '../bodyElements.ts'
import type { PageRule } from '../rule.ts'

/** The page itself always says its language: Viatica writes it. */
export const languageTag: PageRule = {
  id: 'language-tag',
  group: 'content',
  severity: 'error',
  about: 'parts of a text whose lang names no language',
  source: 'WCAG 2.2, 3.1.2: https://www.w3.org/TR/WCAG22/#language-of-parts',
  from: (_, page) => [page.body],
  find: (_, page) =>
    elementsIn(page.body).flatMap((placed) => {
      const tag = attributeOf(placed, 'lang')
      // An empty one says that the language is not known.
      if (tag === undefined || tag === '' || isLanguageTag(tag)) return []
      return [
        {
          place: inContent(page, placed),
          words: `lang="${tag}" names no language.`,
          gist: tag,
          asks: 'language',
        },
      ]
    }),
}
