import { isBegun } from '../../plan/entry.ts'
import { COMMON_PRACTICE, type PageRule } from '../rule.ts'
import { textOfBody } from '../../statistics/wordCount.ts'

export const emptyPage: PageRule = {
  id: 'empty-page',
  group: 'content',
  severity: 'warning',
  about: 'pages that are ready and have no main content',
  source: COMMON_PRACTICE,
  from: (_, page) => [page.body, page.state],
  find: (_, page) =>
    isBegun(page) &&
    page.state === 'ready' &&
    textOfBody(page.body) === '' &&
    !/<(img|video|audio|svg|iframe|put-(?:menu|pages|site-map))\b/i.test(page.body.html)
      ? [
          {
            place: { in: 'entry', entry: page.id },
            words: 'The page is ready and has no main content.',
            gist: '',
          },
        ]
      : [],
}
