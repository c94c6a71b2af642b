import { typedRule, URL_STANDARD } from './typedTarget.ts'

/** A path that nothing of the site stands at. */
export const noSuchFile = typedRule(
  'no such file',
  {
    id: 'no-such-file',
    severity: 'error',
    about: 'paths that no page or file stands at',
    source: URL_STANDARD,
  },
  (typed) => `“${typed}” not found.`,
)
