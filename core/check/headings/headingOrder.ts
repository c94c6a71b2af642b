import { headingsOf, type HeadingDoubt, shiftHeadings } from '../../content/headings.ts'
import { inContent } from '../bodyElements.ts'
import type { PageRule, Severity } from '../rule.ts'

function headingRule(
  doubt: HeadingDoubt,
  head: { readonly id: string; readonly severity: Severity; readonly about: string; readonly source: string },
  words: (text: string) => string,
  mends: boolean,
): PageRule {
  return {
    ...head,
    group: 'titles and headings',
    from: (_, page) => [page.body],
    find: (_, page) =>
      headingsOf(page.body.html).flatMap((heading, at) => {
        if (heading.doubt !== doubt) return []
        const html = shiftHeadings(page.body.html, at, at, -1)
        return [
          {
            place: inContent(page, heading),
            words: words(heading.text),
            gist: `${heading.level} ${heading.text}`,
            mend: mends
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

const H42 = 'WCAG 2.2, technique H42: https://www.w3.org/WAI/WCAG22/Techniques/html/H42'

export const skippedLevel = headingRule(
  'skips a level',
  { id: 'skipped-level', severity: 'doubt', about: 'headings that skip a level', source: H42 },
  (text) => `The heading “${text}” skips a level.`,
  true,
)

export const severalFirst = headingRule(
  'first level again',
  {
    id: 'several-first',
    severity: 'fault',
    about: 'pages with several first-level headings',
    source: 'common practice',
  },
  (text) => `“${text}” is a second heading of the first level.`,
  false,
)

export const emptyHeading = headingRule(
  'empty',
  {
    id: 'empty-heading',
    severity: 'fault',
    about: 'headings without text',
    source: 'WCAG 2.2, 2.4.6: https://www.w3.org/TR/WCAG22/#headings-and-labels',
  },
  () => 'A heading has no text.',
  false,
)
