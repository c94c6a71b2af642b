import { labelOf } from '../../plan/entry.ts'
import { decoded, readPointer } from '../../pointer/pointer.ts'
import { compileBody } from '../../render/body.ts'
import { attributeOf, elementsIn, inContent } from '../bodyElements.ts'
import type { PageRule } from '../rule.ts'
import { hasPart } from './idsOnPage.ts'

/** A link to a part of a page that has no such part. */
export const missingHeading: PageRule = {
  id: 'missing-heading',
  group: 'links',
  severity: 'error',
  about: 'links to a heading that the page does not have',
  source: 'HTML: https://html.spec.whatwg.org/multipage/browsing-the-web.html#scrolling-to-a-fragment',
  from: ({ site }, page) => [
    page,
    site.surround.kind === 'pieces' ? site.surround.places : site.surround.templates,
    ...compileBody(page.body).pointers.map(({ id }) => site.plan.entries.get(id)),
  ],
  find: ({ site }, page) =>
    elementsIn(page.body).flatMap((placed) => {
      const href = attributeOf(placed, 'href') ?? ''
      const pointer = readPointer(href)
      if (pointer ? pointer.to !== 'entry' : !href.startsWith('#')) return []
      const target = pointer ? site.plan.entries.get(pointer.id) : page
      const wanted = pointer ? pointer.fragment : decoded(href.slice(1))
      if (wanted === '' || target?.kind !== 'page' || hasPart(site, target, wanted)) return []
      const words = `A link leads to “#${wanted}” of “${labelOf(target)}”, which has no such heading.`
      const asks = placed.element.tagName === 'a' ? ('target' as const) : undefined
      return [{ place: inContent(page, placed), words, gist: href, asks }]
    }),
}
