import { labelOf } from '../../plan/entry.ts'
import { isOfTemplates, isWritten, type Site } from '../../plan/site.ts'
import { templatesOf } from '../../plan/surround/surround.ts'
import type { Address } from '../../plan/surround/templates.ts'
import { templateReferences } from '../../template/references.ts'
import { COMMON_PRACTICE, type Found, type SiteRule } from '../rule.ts'
import { goneWords } from './goneWords.ts'

/** What is wrong with where a reference leads; undefined where it leads to something that visitors get. */
type Fault = (site: Site, address: Address) => string | undefined

/** A rule over the references that templates, patterns and pages have around the content: each target once for a place. */
function ruleAround(head: Pick<SiteRule, 'id' | 'severity' | 'about'>, fault: Fault): SiteRule {
  return {
    ...head,
    group: 'links',
    source: COMMON_PRACTICE,
    from: ({ site }) => [
      ...[templatesOf(site.surround), site.plan, site.files, site.gone, site.settings.plannedPages],
    ],
    findAll({ site }) {
      if (!isOfTemplates(site)) return []
      const found = new Map<string, Found>()
      for (const { place, address } of templateReferences(site)) {
        const words = fault(site, address)
        if (words === undefined) continue
        const key = `${JSON.stringify(place)} ${address.to} ${address.id}`
        if (!found.has(key)) found.set(key, { place, words, gist: `${address.to}:${address.id}` })
      }
      return [...found.values()]
    },
  }
}

/** A link or picture around the content whose page or file is gone. */
export const deadAround = ruleAround(
  {
    id: 'dead-link-around',
    severity: 'error',
    about: 'links and pictures of templates that lead to nothing',
  },
  (site, { to, id }) => {
    if (to === 'entry') {
      const entry = site.plan.entries.get(id)
      return entry?.kind === 'page' ? undefined : goneWords(site, `entry:${id}`, 'link')
    }
    return site.files.has(id) ? undefined : goneWords(site, `site-file:${id}`, 'file')
  },
)

/** A link around the content to a page that is planned: visitors find nothing there. */
export const plannedAround = ruleAround(
  {
    id: 'link-to-planned-around',
    severity: 'warning',
    about: 'links of templates to pages that are not on the site yet',
  },
  (site, { to, id }) => {
    const entry = to === 'entry' ? site.plan.entries.get(id) : undefined
    return entry?.kind === 'page' && !isWritten(site, entry)
      ? `Link to “${labelOf(entry)}”, which is planned: visitors find nothing there yet.`
      : undefined
  },
)
