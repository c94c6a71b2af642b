import { readPointer } from '../../pointer/pointer.ts'
import { attributeOf, elementsIn, inContent, type PlacedElement } from '../bodyElements.ts'
import type { Checked, PageRule } from '../rule.ts'
import { pictures } from './pictures.ts'

/** The file of the site that a picture shows. */
function fileOf({ site }: Checked, placed: PlacedElement) {
  const pointer = readPointer(attributeOf(placed, 'src') ?? '')
  return pointer?.to === 'site-file' ? site.files.get(pointer.id) : undefined
}

/** A picture that says nothing to those who do not see it. */
export const noAlternative: PageRule = {
  id: 'no-alternative',
  group: 'content',
  severity: 'error',
  about: 'pictures without alternative text',
  source: 'WCAG 2.2, 1.1.1: https://www.w3.org/TR/WCAG22/#non-text-content',
  from: (checked, page) => [
    page.body,
    ...pictures(elementsIn(page.body)).map((placed) => fileOf(checked, placed)?.alt),
  ],
  find: (checked, page) =>
    pictures(elementsIn(page.body)).flatMap((placed) => {
      if (attributeOf(placed, 'alt') !== undefined || fileOf(checked, placed)?.alt) return []
      const words = 'A picture has no alternative text: describe it, or mark it as decorative (alt="").'
      return [
        {
          place: inContent(page, placed),
          words,
          gist: attributeOf(placed, 'src') ?? '',
          asks: 'alternative',
        },
      ]
    }),
}
