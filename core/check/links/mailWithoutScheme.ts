import { likelyTarget } from '../../standard/target.ts'
import { typedRule } from './typedTarget.ts'

/** An e-mail address, which without a scheme is the name of a file. */
export const mailWithoutScheme = typedRule(
  'mail',
  {
    id: 'mail-without-scheme',
    severity: 'error',
    about: 'e-mail addresses without mailto:',
    source: 'RFC 6068',
  },
  (typed) => `“${typed}” has no mailto: before it: it leads to a file of that name.`,
  (_, __, typed) => likelyTarget(typed),
)
