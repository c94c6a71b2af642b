import { whereItLeads } from '../../content/linksOfPage.ts'
import { compileBody } from '../../render/body.ts'
import { attributeOf, elementsIn, inContent } from '../bodyElements.ts'
import type { PageRule } from '../rule.ts'

const POINTER = /^(entry|site-file):([a-z0-9-]+)/

/** A link or picture in a text whose page or file is gone. */
export const deadPointer: PageRule = {
  id: 'dead-link',
  group: 'links',
  severity: 'fault',
  about: 'links and pictures that lead to nothing',
  source: 'WCAG 2.2, 2.4.4: https://www.w3.org/TR/WCAG22/#link-purpose-in-context',
  from: ({ site }, page) => [
    page.body,
    ...compileBody(page.body).slots.map(({ to, id }) =>
      to === 'entry' ? site.plan.entries.get(id)?.kind : site.files.has(id),
    ),
  ],
  find: ({ site }, page) =>
    elementsIn(page.body).flatMap((placed) =>
      ['href', 'src'].flatMap((name) => {
        const value = attributeOf(placed, name) ?? ''
        const [, to, id] = POINTER.exec(value) ?? []
        const isGone =
          to === 'entry'
            ? site.plan.entries.get(id!)?.kind !== 'page'
            : to !== undefined && !site.files.has(id!)
        if (!isGone) return []
        const words =
          to === 'entry'
            ? 'A link leads to a page that is gone.'
            : `A ${name === 'src' ? 'picture' : 'link'} leads to ${whereItLeads(site, value)!.words}.`
        return [{ place: inContent(page, placed), words, gist: value }]
      }),
    ),
}
