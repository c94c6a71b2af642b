import type { EntryId } from '../plan/ids.ts'
import type { TemplatesSite } from '../plan/site.ts'
import type { Override } from '../plan/surround/templates.ts'
import type { Drift } from './report.ts'

/** A stretch of a page in which it differs: its author brings it into line, or keeps it on this page. */
export interface DriftChoice {
  readonly page: EntryId
  /** What the page keeps until it is decided, and after that where it is kept. */
  readonly override: Override
  /** What was found in it. */
  readonly drift: readonly Drift[]
  /** The HTML that stands there, and that would. */
  readonly now: string
  readonly would: string
}

/** A site of existing pages with some of its differences brought into line; all others are kept. */
export function broughtIntoLine(site: TemplatesSite, choices: readonly DriftChoice[]): TemplatesSite {
  const { templates } = site.surround
  if (choices.length === 0) return site
  const gone = new Set(choices.map(({ override }) => override))
  const pages = { ...templates.pages }
  for (const id of new Set(choices.map(({ page }) => page))) {
    const making = pages[id]!
    pages[id] = { ...making, overrides: making.overrides.filter((override) => !gone.has(override)) }
  }
  return { ...site, surround: { ...site.surround, templates: { ...templates, pages } } }
}
