import { asRead, HTML, markupRule } from './markup.ts'

export const parseErrors = markupRule(
  ['markup'],
  {
    id: 'markup',
    severity: 'error',
    about: 'errors of the HTML standard',
    source: `${HTML.replace('syntax', 'parsing')}#parse-errors`,
  },
  asRead,
)
