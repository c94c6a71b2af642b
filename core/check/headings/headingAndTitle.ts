import { soundFileName } from '../../standard/fileName.ts'
import { COMMON_PRACTICE, type PageRule } from '../rule.ts'

const wordsOf = (text: string) =>
  soundFileName(text, '-')
    .split('-')
    .filter((word) => word.length > 3)

/** A heading that was left from the page that this one was copied from shares no word with the title. */
export const headingAndTitle: PageRule = {
  id: 'heading-and-title',
  group: 'titles and headings',
  severity: 'hint',
  about: 'first headings that share no word with the title',
  source: COMMON_PRACTICE,
  from: ({ site }, page) => [page.title, page.heading, site.plan.home],
  find({ site }, page) {
    if (page.heading === '' || page.id === site.plan.home) return []
    const [title, heading] = [wordsOf(page.title), wordsOf(page.heading)]
    if (title.length === 0 || heading.length === 0) return []
    const isShared = title.some((word) => heading.some((one) => one.slice(0, 4) === word.slice(0, 4)))
    if (isShared) return []
    const words = `The first heading “${page.heading}” shares no word with the title “${page.title}”.`
    return [{ place: { in: 'entry', entry: page.id }, words, gist: `${page.title} ${page.heading}` }]
  },
}
