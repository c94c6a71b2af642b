import { namedBy, nameOf } from '../../pointer/attributes.ts'
import { readPointer } from '../../pointer/pointer.ts'
import { compileBody } from '../../render/body.ts'
import { elementsIn, inContent, isLink } from '../bodyElements.ts'
import type { PageRule } from '../rule.ts'
import { goneWords } from './goneWords.ts'

/** A link or picture in a text whose page or file is gone. */
export const deadPointer: PageRule = {
  id: 'dead-link',
  group: 'links',
  severity: 'error',
  about: 'links and pictures that lead to nothing',
  source: 'WCAG 2.2, 2.4.4: https://www.w3.org/TR/WCAG22/#link-purpose-in-context',
  from: ({ site }, page) => [
    page.body,
    site.gone,
    ...compileBody(page.body).pointers.map(({ to, id }) => {
      if (to === 'site-file') return site.files.has(id)
      const entry = site.plan.entries.get(id)
      // What is no page is named.
      return entry?.kind === 'page' ? 'page' : entry
    }),
  ],
  find: ({ site }, page) =>
    elementsIn(page.body).flatMap((placed) =>
      [...namedBy(placed.element)].flatMap(({ attribute, url }) => {
        const pointer = readPointer(url)
        const isGone =
          pointer?.to === 'entry'
            ? site.plan.entries.get(pointer.id)?.kind !== 'page'
            : pointer !== undefined && !site.files.has(pointer.id)
        if (!isGone) return []
        const words = goneWords(site, url, attribute && nameOf(attribute) === 'href' ? 'link' : 'file')
        const asks = attribute && isLink(placed, attribute) ? ('target' as const) : undefined
        return [{ place: inContent(page, placed), words, gist: url, asks }]
      }),
    ),
}
