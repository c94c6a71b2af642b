import { bodyToRead } from '../plan/bodyTree.ts'
import { type Body, isBegun, type PageEntry } from '../plan/entry.ts'
import { contentOf, isElement, type Node } from '../standard/fragment.ts'

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
    collect(bodyToRead(body), parts)
    text = parts.join('').replace(/\s+/g, ' ').trim()
    texts.set(body, text)
  }
  return text
}

const segmenters = new Map<string, Intl.Segmenter>()

/**
 * A space, and after it up to the next what is one word by the rules of any language: letters without marks, with common
 * signs around them. https://www.unicode.org/reports/tr29/#Default_Word_Boundaries
 */
const PLAIN_WORDS = / ["“„«(]*[a-zà-öø-ÿ]+[.,;:!?"”»)…]*(?= |$)/gi

function spacesIn(text: string): number {
  let count = 0
  for (let at = text.indexOf(' '); at >= 0; at = text.indexOf(' ', at + 1)) count++
  return count
}

/**
 * How many words a text has, as Unicode Standard Annex #29 parts them in a language. Words end at spaces in any: only
 * what is not plainly one word between two of them is left to the segmenter, which takes fifty times as long.
 */
export function countIn(text: string, language: string): number {
  let segmenter = segmenters.get(language)
  if (!segmenter)
    segmenters.set(language, (segmenter = new Intl.Segmenter(language, { granularity: 'word' })))
  const spaced = ` ${text}`
  const rest = spaced.replace(PLAIN_WORDS, '')
  let count = spacesIn(spaced) - spacesIn(rest)
  if (spacesIn(rest) < rest.length)
    for (const { isWordLike } of segmenter.segment(rest)) if (isWordLike) count++
  return count
}

const counts = new WeakMap<Body, { readonly language: string; readonly count: number }>()

/** How many words main content has, in a language. */
export function countWords(html: string, language: string): number {
  return countIn(textOfBody({ html, changed: '' }), language)
}

/** How many words the main content of a page has, in the site's language. Remembered as long as its body is. */
export function wordsOn(page: PageEntry, language: string): number {
  if (!isBegun(page) || page.body.html === '') return 0
  const known = counts.get(page.body)
  if (known?.language === language) return known.count
  const count = countIn(textOfBody(page.body), language)
  counts.set(page.body, { language, count })
  return count
}
