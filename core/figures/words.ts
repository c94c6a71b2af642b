import { type Body, isBegun, type PageEntry } from '../plan/entry.ts'
import { contentOf, type Fragment, isElement, type Node, parseMainContent } from '../standard/fragment.ts'

/** Their text is not read by visitors. */
const SILENT = new Set(['script', 'style', 'template', 'noscript'])
/** Words on both sides of these stand apart. */
const INLINE =
  /^(a|abbr|b|bdi|bdo|cite|code|del|dfn|em|i|ins|kbd|mark|q|s|samp|small|span|strong|sub|sup|u|var|wbr)$/

function collect(parent: { childNodes: Node[] }, into: string[]): void {
  for (const node of parent.childNodes) {
    if (node.nodeName === '#text') into.push((node as { value: string }).value)
    else if (isElement(node) && !SILENT.has(node.tagName)) {
      const apart = INLINE.test(node.tagName) ? '' : ' '
      into.push(apart)
      collect(contentOf(node), into)
      into.push(apart)
    }
  }
}

const texts = new WeakMap<Body, string>()

/** The text of a body as a visitor reads it, in one line. Remembered as long as the body is. */
export function textOfBody(body: Body): string {
  let text = texts.get(body)
  if (text === undefined) {
    const parts: string[] = []
    collect(parseMainContent(body.html) satisfies Fragment, parts)
    text = parts.join('').replace(/\s+/g, ' ').trim()
    texts.set(body, text)
  }
  return text
}

const segmenters = new Map<string, Intl.Segmenter>()
const counts = new WeakMap<Body, { readonly language: string; readonly count: number }>()

/** How many words a page's main content has, as Unicode Standard Annex #29 parts them in the site's language. */
export function wordsOn(page: PageEntry, language: string): number {
  if (!isBegun(page) || page.body.html === '') return 0
  const known = counts.get(page.body)
  if (known?.language === language) return known.count
  let segmenter = segmenters.get(language)
  if (!segmenter)
    segmenters.set(language, (segmenter = new Intl.Segmenter(language, { granularity: 'word' })))
  let count = 0
  for (const { isWordLike } of segmenter.segment(textOfBody(page.body))) if (isWordLike) count++
  counts.set(page.body, { language, count })
  return count
}
