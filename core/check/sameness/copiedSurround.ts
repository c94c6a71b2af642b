import type { Element } from '../../standard/fragment.ts'
import { elementsIn, inContent, type PlacedElement } from '../bodyElements.ts'
import { COMMON_PRACTICE, type Found, type PageRule } from '../rule.ts'
import { tableOf } from '../../standard/table.ts'

/** In these, a header or footer is that of the part, not of the page. https://html.spec.whatwg.org/#the-header-element */
const PARTS = new Set(['article', 'aside', 'nav', 'section', 'blockquote', 'figure', 'fieldset', 'details'])

const NAMES = tableOf<string>({ header: 'header', nav: 'menu', footer: 'footer' })

function isWithinPart({ element }: PlacedElement): boolean {
  for (let up = element.parentNode; up && 'tagName' in up; up = (up as Element).parentNode)
    if (PARTS.has((up as Element).tagName)) return true
  return false
}

/** What was copied into a text is kept the same by nobody. */
export const copiedSurround: PageRule = {
  id: 'copied-surround',
  group: 'sameness',
  severity: 'warning',
  about: 'a header, menu or footer inside main content, which does not change with those of the site',
  source: COMMON_PRACTICE,
  from: (_, page) => [page.body],
  find: (_, page) =>
    elementsIn(page.body).flatMap((placed): Found[] => {
      const name = NAMES.get(placed.element.tagName)
      if (name === undefined || isWithinPart(placed)) return []
      return [
        {
          place: inContent(page, placed),
          words: `The text brings a ${name} of its own: it stays as it is when that of the site changes.`,
          gist: name,
        },
      ]
    }),
}
