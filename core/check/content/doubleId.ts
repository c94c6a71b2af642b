import { markupRule } from './markup.ts'

export const doubleId = markupRule(
  ['double id'],
  {
    id: 'double-id',
    severity: 'error',
    about: 'ids that stand twice in a text',
    source: 'HTML: https://html.spec.whatwg.org/multipage/dom.html#the-id-attribute',
  },
  false,
)
