import { whereItLeads } from '../../content/linksOfPage.ts'
import { nameOf, referencesIn } from '../../pointer/attributes.ts'
import { readPointer } from '../../pointer/pointer.ts'
import { compileBody } from '../../render/body.ts'
import { elementsIn, inContent, isLink } from '../bodyElements.ts'
import type { PageRule } from '../rule.ts'

/** A link or picture in a text whose page or file is gone. */
export const deadPointer: PageRule = {
  id: 'dead-link',
  group: 'links',
  severity: 'error',
  about: 'links and pictures that lead to nothing',
  source: 'WCAG 2.2, 2.4.4: https://www.w3.org/TR/WCAG22/#link-purpose-in-context',
  from: ({ site }, page) => [
    page.body,
    ...compileBody(page.body).pointers.map(({ to, id }) =>
      to === 'entry' ? site.plan.entries.get(id)?.kind : site.files.has(id),
    ),
  ],
  find: ({ site }, page) =>
    elementsIn(page.body).flatMap((placed) =>
      placed.element.attrs.flatMap((attribute) =>
        referencesIn(attribute).flatMap(({ url }) => {
          const pointer = readPointer(url)
          const isGone =
            pointer?.to === 'entry'
              ? site.plan.entries.get(pointer.id)?.kind !== 'page'
              : pointer !== undefined && !site.files.has(pointer.id)
          if (!isGone) return []
          const words =
            pointer!.to === 'entry'
              ? 'A link leads to a page that is gone.'
              : `A ${nameOf(attribute) === 'href' ? 'link' : 'picture'} leads to ${whereItLeads(site, url)!.words}.`
          const asks = isLink(placed, attribute) ? ('target' as const) : undefined
          return [{ place: inContent(page, placed), words, gist: url, asks }]
        }),
      ),
    ),
}
