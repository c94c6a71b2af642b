import { labelOf } from '../../plan/entry.ts'
import type { Site } from '../../plan/site.ts'
import { standings } from '../../plan/surround/surround.ts'
import { elementsOf, parseMainContent } from '../../standard/fragment.ts'
import { decoded, readPointer } from '../../pointer/pointer.ts'
import { compileBody } from '../../render/body.ts'
import { attributeOf, elementsIn, inContent } from '../bodyElements.ts'
import type { PageRule } from '../rule.ts'

/** Ids that every page has from its surround, and the top of it. */
function idsOfSurround({ surround }: Site): Set<string> {
  const own = [...standings(surround)].flatMap(({ piece }) =>
    piece.kind === 'html'
      ? [...elementsOf(parseMainContent(piece.html))].flatMap(({ element }) =>
          element.attrs.flatMap(({ name, value }) => (name === 'id' ? [value] : [])),
        )
      : [],
  )
  return new Set(['main', 'top', ...own])
}

/** A link to a part of a page that has no such part. */
export const missingHeading: PageRule = {
  id: 'missing-heading',
  group: 'links',
  severity: 'error',
  about: 'links to a heading that the page does not have',
  source: 'HTML: https://html.spec.whatwg.org/multipage/browsing-the-web.html#scrolling-to-a-fragment',
  from: ({ site }, page) => [
    page,
    site.surround.places,
    ...compileBody(page.body).pointers.map(({ id }) => site.plan.entries.get(id)),
  ],
  find: ({ site }, page) => {
    const ofSurround = idsOfSurround(site)
    return elementsIn(page.body).flatMap((placed) => {
      const href = attributeOf(placed, 'href') ?? ''
      const pointer = readPointer(href)
      if (pointer ? pointer.to !== 'entry' : !href.startsWith('#')) return []
      const target = pointer ? site.plan.entries.get(pointer.id) : page
      const wanted = pointer ? pointer.fragment : decoded(href.slice(1))
      if (wanted === '' || target?.kind !== 'page') return []
      const isThere =
        ofSurround.has(wanted) ||
        elementsIn(target.body).some(
          (one) => attributeOf(one, 'id') === wanted || attributeOf(one, 'name') === wanted,
        )
      if (isThere) return []
      const words = `A link leads to “#${wanted}” of “${labelOf(target)}”, which has no such heading.`
      const asks = placed.element.tagName === 'a' ? ('target' as const) : undefined
      return [{ place: inContent(page, placed), words, gist: href, asks }]
    })
  },
}
