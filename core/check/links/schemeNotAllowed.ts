import { typedRule, URL_STANDARD } from './typedTarget.ts'

/** Addresses that run something, or that exist on one computer only. */
export const schemeNotAllowed = typedRule(
  'scheme',
  {
    id: 'scheme-not-allowed',
    severity: 'error',
    about: 'links that run a script, or that others cannot follow',
    source: URL_STANDARD,
  },
  (typed) =>
    `A link begins with “${/^[^:]*:/.exec(typed.trim())?.[0] ?? ''}”, which visitors cannot follow safely.`,
)
