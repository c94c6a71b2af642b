import { templatesOf } from '../plan/surround/surround.ts'
import type { EntryId } from '../plan/ids.ts'
import type { Site } from '../plan/site.ts'
import { isDifference } from '../template/kept.ts'

/** Whether a page says something else than its template and the plan. */
export function keepsDifference({ surround }: Site, page: EntryId): boolean {
  const { templates, pages } = templatesOf(surround)!
  const { template, overrides } = pages[page]!
  const { parts } = templates.find(({ id }) => id === template)!
  return overrides.some((override) => isDifference(override, parts.slice(override.from, override.to)))
}
