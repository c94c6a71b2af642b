import { headingsOf, type HeadingWarning, shiftHeadings } from '../../content/headings.ts'
import { inContent } from '../bodyElements.ts'
import type { PageRule, Severity } from '../rule.ts'

/** A rule that finds headings with one warning. @param fixes whether promoting the heading puts it right */
export function headingRule(
  warning: HeadingWarning,
  head: { readonly id: string; readonly severity: Severity; readonly about: string; readonly source: string },
  words: (text: string) => string,
  fixes: boolean,
): PageRule {
  return {
    ...head,
    group: 'titles and headings',
    from: (_, page) => [page.body],
    find: (_, page) =>
      headingsOf(page.body.html).flatMap((heading, at) => {
        if (heading.warning !== warning) return []
        const html = shiftHeadings(page.body.html, at, at, -1)
        return [
          {
            place: inContent(page, heading),
            words: words(heading.text),
            gist: `${heading.level} ${heading.text}`,
            fix: fixes
              ? {
                  kind: 'setEntry' as const,
                  entry: page.id,
                  field: 'body' as const,
                  value: { ...page.body, html },
                }
              : undefined,
          },
        ]
      }),
  }
}
