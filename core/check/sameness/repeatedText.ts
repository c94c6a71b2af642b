import { textBlocks } from '../../content/textBlocks.ts'
import { COMMON_PRACTICE, type Found, type SiteRule } from '../rule.ts'

/** Texts with fewer letters than this may well be alike: an address, a line that asks to be patient. */
const FEWEST_LETTERS = 200
/** How much of a text stands on another page, where it was copied and not written. */
const MOST_SHARED = 0.8

/** A page is made as a copy of another, and keeps the text of that one. */
export const repeatedText: SiteRule = {
  id: 'repeated-text',
  group: 'sameness',
  severity: 'warning',
  about: 'main content that is that of another page, as a copy leaves it',
  source: COMMON_PRACTICE,
  from: ({ pages }) => [pages],
  read: (_, { body }) => textBlocks(body),
  findAll({ pages }) {
    /** The first page that has each block, in plan order. */
    const first = new Map<string, number>()
    return pages.flatMap((page, at): Found[] => {
      const shared = new Map<number, number>()
      let letters = 0
      for (const block of textBlocks(page.body)) {
        letters += block.length
        const owner = first.get(block)
        if (owner === undefined) first.set(block, at)
        else if (owner !== at) shared.set(owner, (shared.get(owner) ?? 0) + block.length)
      }
      const [owner, most] = [...shared].reduce((a, b) => (b[1] > a[1] ? b : a), [-1, 0])
      const original = pages[owner]
      if (!original || letters < FEWEST_LETTERS || most < MOST_SHARED * letters) return []
      const share = most >= letters ? 'The whole text' : 'Nearly all of the text'
      return [
        {
          place: { in: 'entry', entry: page.id },
          words: `${share} is that of “${original.title}”.`,
          gist: `${original.id} ${page.body.html.length}`,
        },
      ]
    })
  },
}
