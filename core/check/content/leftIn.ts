import { COMMON_PRACTICE, type PageRule } from '../rule.ts'
import { textOfBody } from '../../statistics/wordCount.ts'

/** What stands in for a text that is still to be written. */
const STAND_IN = /\b(lorem ipsum|dolor sit amet|coming soon|insert text here|placeholder)\b/i
const SIGN = /\b(TODO|TBD|TBA|FIXME|XXX+)\b/

export const leftIn: PageRule = {
  id: 'left-in',
  group: 'content',
  severity: 'warning',
  about: 'placeholder text that was left in',
  source: COMMON_PRACTICE,
  from: (_, page) => [page.body, page.title, page.description],
  find(_, page) {
    const text = [page.title, page.description, textOfBody(page.body)].join(' · ')
    const found = (SIGN.exec(text) ?? STAND_IN.exec(text))?.[0]
    if (found === undefined) return []
    const at = page.body.html.toLowerCase().indexOf(found.toLowerCase())
    const line = page.body.html.slice(0, Math.max(0, at)).split('\n').length
    return [
      {
        place:
          at < 0
            ? { in: 'entry', entry: page.id }
            : { in: 'content', entry: page.id, start: at, end: at + found.length, line },
        words: `“${found}” was left in.`,
        gist: found,
      },
    ]
  },
}
