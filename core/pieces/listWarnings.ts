import { shownLinks } from '../navigate/leads.ts'
import type { Site } from '../plan/site.ts'
import type { PickedLink } from '../plan/surround/pickedLink.ts'

/** Longer labels do not fit beside others in a menu (common practice). */
const LONG_LABEL = 60

/** What is to be warned of in picked links. */
export function listWarnings(site: Site, links: readonly PickedLink[]): string[] {
  return links.flatMap((link) => {
    const { label } = link
    const [shown] = shownLinks(site, [link])
    const warnings = shown?.leads ? [] : [`“${shown?.label ?? label}” leads to what is not on the site.`]
    return label.length > LONG_LABEL
      ? [...warnings, `“${label.slice(0, 30)}…” has ${label.length} characters: too long for a menu.`]
      : warnings
  })
}
