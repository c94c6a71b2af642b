import { asRead, HTML, markupRule } from './markup.ts'

/** One unclosed element would swallow the footer, if pages were put together by hand. */
export const unclosed = markupRule(
  ['unclosed', 'stray end'],
  {
    id: 'not-closed',
    severity: 'error',
    about: 'elements that are not closed, or that close nothing',
    source: HTML,
  },
  asRead,
)
