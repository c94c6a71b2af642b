import type { Schema } from 'hast-util-sanitize'

const TEXT =
  'h1 h2 h3 h4 h5 h6 p ul ol li dl dt dd blockquote cite q hr pre br a em strong code s sub sup abbr'
const TABLE = 'table caption thead tbody tfoot tr th td'

/** What pasted content keeps: what a text is made of, and none of how it looked where it came from. */
export const KEPT: Schema = {
  tagNames: `${TEXT} ${TABLE} img figure figcaption`.split(' '),
  attributes: {
    a: ['href', 'title'],
    img: ['src', 'alt', 'width', 'height'],
    ol: ['start'],
    th: ['colSpan', 'rowSpan', 'scope'],
    td: ['colSpan', 'rowSpan'],
    blockquote: ['cite'],
    q: ['cite'],
    abbr: ['title'],
  },
  protocols: {
    href: ['http', 'https', 'mailto', 'tel', 'entry'],
    src: ['http', 'https', 'site-file'],
    cite: ['http', 'https'],
  },
  // What is inside of these is no text.
  strip: 'script style title xml head noscript template svg math iframe object'.split(' '),
  allowComments: false,
}
