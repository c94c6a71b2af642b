import { type Heading, headingsOfBody, type HeadingWarning } from '../../content/headings.ts'
import { inContent } from '../bodyElements.ts'
import type { PageRule, Severity } from '../rule.ts'

/** A rule that finds headings with one warning. @param fixed the text of a page with one put right, by its place */
export function headingRule(
  warning: HeadingWarning,
  head: { readonly id: string; readonly severity: Severity; readonly about: string; readonly source: string },
  words: (text: string) => string,
  fixed: (html: string, heading: Heading, at: number) => string,
): PageRule {
  return {
    ...head,
    group: 'titles and headings',
    from: (_, page) => [page.body],
    find: (_, page) =>
      headingsOfBody(page.body).flatMap((heading, at) => {
        if (heading.warning !== warning) return []
        return [
          {
            place: inContent(page, heading),
            words: words(heading.text),
            gist: `${heading.level} ${heading.text}`,
            fix: {
              kind: 'setEntry' as const,
              entry: page.id,
              field: 'body' as const,
              value: { ...page.body, html: fixed(page.body.html, heading, at) },
            },
          },
        ]
      }),
  }
}
