import { freeHeadingId } from '../../content/headings.ts'
import { attributeOf, elementsIn, inContent, withAttribute } from '../bodyElements.ts'
import type { PageRule } from '../rule.ts'

/** Ids that Viatica writes around the content. */
const OURS = /^(main|menu-\d+(-.*)?)$/

/** An id that the surround of every page has already. */
export const idOfSurround: PageRule = {
  id: 'id-of-surround',
  group: 'content',
  severity: 'error',
  about: 'ids that stand around the content already',
  source: 'HTML: https://html.spec.whatwg.org/multipage/dom.html#the-id-attribute',
  from: ({ site: { surround } }, page) => [
    page.body,
    surround.kind === 'pieces' ? surround.here : surround.kind,
  ],
  // In a site of templates, all ids around the content are the author's.
  find: ({ site: { surround } }, page) =>
    (surround.kind === 'pieces' ? elementsIn(page.body) : []).flatMap((placed) => {
      const id = attributeOf(placed, 'id')
      const isPageId = surround.kind === 'pieces' && surround.here.bodyId && id === `page-${page.id}`
      if (id === undefined || !(OURS.test(id) || isPageId)) return []
      return [
        {
          place: inContent(page, placed),
          words: `The id “${id}” stands around the content already.`,
          gist: id,
          fix: withAttribute(page, placed, 'id', freeHeadingId(page.body.html, `own-${id}`)),
        },
      ]
    }),
}
