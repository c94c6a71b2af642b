import { templatesOf } from '../../plan/surround/surround.ts'
import type { TemplatePart } from '../../plan/surround/templates.ts'
import { dropOverride } from '../../shape/templateEdits.ts'
import { isDifference } from '../../template/kept.ts'
import { sourceOfBits } from '../../template/partSource.ts'
import { COMMON_PRACTICE, type Found, type PageRule } from '../rule.ts'
import { valueAt } from '../../standard/record.ts'

const NAMES: Readonly<Record<Exclude<TemplatePart['kind'], 'text'>, string>> = {
  title: 'title',
  description: 'description',
  heading: 'page heading (h1)',
  content: 'content',
  menu: 'menu',
  breadcrumb: 'breadcrumb',
  pager: 'previous/next links',
  own: 'HTML',
}
const WHERE = { head: 'head', header: 'HTML above the content', footer: 'HTML below the content' }

const nameOf = (part: TemplatePart): string => (part.kind === 'text' ? WHERE[part.where] : NAMES[part.kind])

/** What stands on one page in the place of some parts, in words. */
function differenceWords(parts: readonly TemplatePart[], text: string): string {
  if (parts.length === 0) return 'This page has HTML that is not in its template.'
  // What stands for several is told by those that are worked out.
  const told = parts.some(({ kind }) => kind !== 'text') ? parts.filter(({ kind }) => kind !== 'text') : parts
  const names = [...new Set(told.map(nameOf))].join(', ')
  return text.trim() === ''
    ? `This page is missing a part that its template has: ${names}.`
    : `On this page, a part differs from its template: ${names}.`
}

/** A page of existing HTML that says something else than its template and the plan. */
export const differsFromTemplate: PageRule = {
  id: 'differs-from-template',
  group: 'sameness',
  severity: 'warning',
  about: 'pages of existing HTML on which a menu, a title or another part differs from their template',
  source: COMMON_PRACTICE,
  from: ({ site: { surround } }, { id }) => {
    const templates = templatesOf(surround)
    const making = templates && valueAt(templates.pages, id)
    return [making, templates?.templates.find((one) => one.id === making?.template)]
  },
  find: ({ site }, { id }) => {
    const templates = templatesOf(site.surround)
    const making = templates && valueAt(templates.pages, id)
    const template = templates?.templates.find((one) => one.id === making?.template)
    if (!making || !template) return []
    return making.overrides.flatMap((override): Found[] => {
      const parts = template.parts.slice(override.from, override.to)
      if (!isDifference(override, parts)) return []
      const text = sourceOfBits(override.bits)
      return [
        {
          place: { in: 'entry', entry: id },
          words: differenceWords(parts, text),
          gist: `${parts.map(({ kind }) => kind).join(' ')} ${text}`,
          fix: dropOverride(site, id, override),
        },
      ]
    })
  },
}
