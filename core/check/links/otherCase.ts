import { pointerFor } from '../../content/ownLinks.ts'
import { typedRule, URL_STANDARD } from './typedTarget.ts'

/** A path that some computers find, and most hosts do not. */
export const otherCase = typedRule(
  'other case',
  {
    id: 'other-case',
    severity: 'error',
    about: 'paths that differ from those of the site by capitals',
    source: URL_STANDARD,
  },
  (typed) => `“${typed}” differs by capitals from what stands on the site.`,
  ({ site }, page, typed) => pointerFor(site, page.id, typed),
)
