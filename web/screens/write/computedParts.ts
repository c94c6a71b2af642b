import type { Site } from '@viatica/core/plan/site.ts'
import { type Call, callsOf, compileHtml, isText } from '@viatica/core/render/authorHtml.ts'
import { escapeAttribute } from '@viatica/core/standard/escape.ts'

/** A part of main content that is worked out from the plan, as an author chooses it. */
export interface ComputedPart {
  readonly label: string
  readonly html: string
}

/** The computed parts that can be put into main content. */
export function computedParts({ surround }: Site): readonly ComputedPart[] {
  return [
    { label: 'List of subpages', html: '<put-pages></put-pages>' },
    { label: 'List of subpages with descriptions', html: '<put-pages descriptions></put-pages>' },
    { label: 'List of subpages, newest first', html: '<put-pages newest descriptions></put-pages>' },
    { label: 'Cards of subpages', html: '<put-pages cards></put-pages>' },
    { label: 'Cards of subpages, newest first', html: '<put-pages cards newest></put-pages>' },
    { label: 'Map of the whole site', html: '<put-site-map></put-site-map>' },
    ...surround.menus.map(({ name }) => ({
      label: `Menu “${name}”`,
      html: `<put-menu menu="${escapeAttribute(name)}" shape="stack"></put-menu>`,
    })),
    { label: 'Current year', html: '<put-year></put-year>' },
  ]
}

/** What a list of pages is called. */
function pageListName(attributes: Call['attributes']): string {
  const pages = 'of' in attributes ? 'picked pages' : 'subpages'
  const order = 'newest' in attributes ? ', newest first' : ''
  if ('cards' in attributes) return `Cards of ${pages}${order}`
  const descriptions = 'descriptions' in attributes ? ' with descriptions' : ''
  return `List of ${pages}${descriptions}${order}`
}

/** What an element of a computed part is called; undefined for any other HTML. */
export function computedName(html: string): string | undefined {
  const [call] = /^\s*<put-/i.test(html) ? callsOf(compileHtml(html, 0)) : []
  switch (call?.element) {
    case 'put-pages':
      return pageListName(call.attributes)
    case 'put-site-map':
      return 'Map of the whole site'
    case 'put-menu':
      return `Menu “${call.attributes['menu'] ?? ''}”`
    case 'put-breadcrumb':
      return 'Breadcrumb'
    case 'put-pager':
      return 'Previous/next links'
    case 'put-title':
      return 'Page title'
    case 'put-year':
      return 'Current year'
    case undefined:
      return undefined
  }
}

/** Whether it can stand within a sentence. */
export function isPartOfLine(html: string): boolean {
  const [call] = callsOf(compileHtml(html, 0))
  return call !== undefined && isText(call.element)
}
