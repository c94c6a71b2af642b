import { isWritten } from '../../plan/site.ts'
import { labelOf } from '../../plan/entry.ts'
import { readPointer } from '../../pointer/pointer.ts'
import { compileBody } from '../../render/body.ts'
import { attributeOf, elementsIn, inContent } from '../bodyElements.ts'
import { COMMON_PRACTICE, type PageRule } from '../rule.ts'

/** A text that links to a page which is planned, and so not among the files of the site. */
export const linkToPlanned: PageRule = {
  id: 'link-to-planned',
  group: 'links',
  severity: 'warning',
  about: 'links to pages that are not on the site yet',
  source: COMMON_PRACTICE,
  from: ({ site }, page) => [
    page.body,
    site.settings.plannedPages,
    site.surround.kind,
    ...compileBody(page.body).pointers.map(({ id }) => site.plan.entries.get(id)),
  ],
  find: ({ site }, page) =>
    elementsIn(page.body).flatMap((placed) => {
      const pointer = readPointer(attributeOf(placed, 'href') ?? '')
      const target = pointer?.to === 'entry' ? site.plan.entries.get(pointer.id) : undefined
      if (!pointer || target?.kind !== 'page' || isWritten(site, target)) return []
      const comesOut =
        site.surround.kind === 'templates' ? 'visitors find nothing there yet' : 'it comes out as plain text'
      const words = `Link to “${labelOf(target)}”, which is planned: ${comesOut}.`
      return [{ place: inContent(page, placed), words, gist: pointer.id }]
    }),
}
