import { likelyTarget } from '../../standard/target.ts'
import { typedRule, URL_STANDARD } from './typedTarget.ts'

/** A host name, which without a scheme is the name of a file. */
export const hostWithoutScheme = typedRule(
  'host',
  {
    id: 'host-without-scheme',
    severity: 'error',
    about: 'web addresses without https:',
    source: URL_STANDARD,
  },
  (typed) => `“${typed}” has no https: before it: it leads to a file of that name.`,
  (_, __, typed) => likelyTarget(typed),
)
