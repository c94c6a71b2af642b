import { pointerFor } from '../../content/ownLinks.ts'
import { typedRule } from './typedTarget.ts'

/** A typed path of the site: right today, and wrong when the page moves. */
export const ownPath = typedRule(
  'own path',
  {
    id: 'typed-path',
    severity: 'hint',
    about: 'typed paths that do not follow when a page moves',
    source: 'common practice',
  },
  (typed) => `The path “${typed}” belongs to this site, and does not follow when that moves.`,
  ({ site }, page, typed) => pointerFor(site, page.id, typed),
)
