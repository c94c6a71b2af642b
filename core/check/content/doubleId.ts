import { freeHeadingId } from '../../content/headings.ts'
import { attributeOf, elementsIn, withAttribute } from '../bodyElements.ts'
import { markupRule } from './markup.ts'

export const doubleId = markupRule(
  ['double id'],
  {
    id: 'double-id',
    severity: 'error',
    about: 'ids that stand twice in a text',
    source: 'HTML: https://html.spec.whatwg.org/multipage/dom.html#the-id-attribute',
  },
  (page, { start }) => {
    const placed = elementsIn(page.body).find((one) => one.start === start)
    const id = placed && attributeOf(placed, 'id')
    return id === undefined
      ? undefined
      : withAttribute(page, placed!, 'id', freeHeadingId(page.body.html, id))
  },
)
