import { typedRule } from './typedTarget.ts'

/** Links that lead to the page itself, or to its top, by accident. */
export const emptyTarget = typedRule(
  'empty',
  {
    id: 'empty-target',
    severity: 'error',
    about: 'links with an empty target, or “#”',
    source: 'common practice',
  },
  () => 'A link has no target: it leads to the page itself.',
)
