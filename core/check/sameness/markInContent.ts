import { attributeOf, elementsIn, inContent, withoutAttribute } from '../bodyElements.ts'
import { COMMON_PRACTICE, type PageRule } from '../rule.ts'

/** A mark that came along when a page was copied, menu and all: it goes on saying that the visitor is there. */
export const markInContent: PageRule = {
  id: 'mark-in-content',
  group: 'sameness',
  severity: 'error',
  about: 'here marks that stand in main content, beside those of the menus',
  source: COMMON_PRACTICE,
  from: (_, page) => [page.body],
  find: (_, page) =>
    elementsIn(page.body).flatMap((placed) => {
      const mark = attributeOf(placed, 'aria-current')
      if (mark === undefined || mark === 'false' || mark === '') return []
      const target = attributeOf(placed, 'href')
      return [
        {
          place: inContent(page, placed),
          words: 'The text has a here mark of its own, which does not follow the plan.',
          gist: target ?? mark,
          fix: withoutAttribute(page, placed, 'aria-current'),
        },
      ]
    }),
}
