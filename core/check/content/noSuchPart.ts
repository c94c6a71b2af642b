import { isComputed } from '../../render/authorHtml.ts'
import { menuCalled } from '../../pieces/computed/calls.ts'
import { attributeOf, elementsIn, inContent } from '../bodyElements.ts'
import { COMMON_PRACTICE, type Found, type PageRule } from '../rule.ts'

/** Elements by which a text calls what is computed, and that call nothing. */
export const noSuchPart: PageRule = {
  id: 'no-such-part',
  group: 'content',
  severity: 'error',
  about: 'computed parts that there are none of',
  source: COMMON_PRACTICE,
  from: ({ site }, page) => [page.body, site.surround.menus],
  find: ({ site }, page) =>
    elementsIn(page.body).flatMap((placed): Found[] => {
      const { tagName } = placed.element
      if (!tagName.startsWith('put-')) return []
      const menu = attributeOf(placed, 'menu') ?? ''
      const words = !isComputed(tagName)
        ? `<${tagName}> is no computed part: nothing will stand there.`
        : tagName === 'put-menu' && !menuCalled(site, { menu })
          ? `There is no menu called “${menu}”: nothing will stand there.`
          : undefined
      return words === undefined
        ? []
        : [{ place: inContent(page, placed), words, gist: `${tagName} ${menu}` }]
    }),
}
