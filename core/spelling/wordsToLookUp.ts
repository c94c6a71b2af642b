import { parseFragment } from 'parse5'
import { bodyTree } from '../plan/bodyTree.ts'
import type { Body } from '../plan/entry.ts'
import { contentOf, isElement, type Node, textOf } from '../standard/fragment.ts'
import { valueFor } from '../standard/present.ts'

/** A word to be looked up, and where it stands in its source, in characters. */
export interface PlacedWord {
  readonly word: string
  readonly start: number
  readonly end: number
}

/** What stands between two blanks or signs; an entity of HTML may stand for a letter, an apostrophe or a sign. */
const TOKEN = /(?:[\p{L}\p{M}\p{N}'’]|&(?:[a-zA-Z]+\d*|#\d+|#[xX][\da-fA-F]+);)+/gu
const WORD = /\p{L}[\p{L}\p{M}]*(?:['’][\p{L}\p{M}]+)*/gu
const DIGIT = /\p{N}/u
const CAPITALS = /^[\p{Lu}\p{M}'’]+$/u

/** An address or a name of a file is no word: what joins its parts stands right beside them. */
function isPartOfAddress(text: string, start: number, end: number): boolean {
  return (
    /[@/\\_#]$|[\p{L}\p{N}][.:]$/u.test(text.slice(Math.max(0, start - 2), start)) ||
    /^[@/\\_]|^[.:][\p{L}\p{N}]/u.test(text.slice(end, end + 2))
  )
}

/**
 * The words of a text that can be looked up in a dictionary: those in capitals alone, those with digits and single
 * letters are left out.
 * @param isHtml whether entities stand for what they mean
 */
export function wordsInText(text: string, isHtml = false): PlacedWord[] {
  const words: PlacedWord[] = []
  for (const { 0: token, index } of text.matchAll(TOKEN)) {
    const end = index + token.length
    const hasEntity = isHtml && token.includes('&')
    const read = hasEntity ? parseFragment(token).childNodes.map(textOf).join('') : token
    if (DIGIT.test(read) || isPartOfAddress(text, index, end)) continue
    for (const { 0: word, index: at } of read.matchAll(WORD)) {
      if (word.length < 2 || CAPITALS.test(word)) continue
      const place = hasEntity ? { start: index, end } : { start: index + at, end: index + at + word.length }
      words.push({ word: word.replaceAll('’', "'"), ...place })
    }
  }
  return words
}

/** What stands in these is not in the language of the page. */
const NOT_LANGUAGE = new Set(['code', 'pre', 'kbd', 'samp', 'var', 'script', 'style', 'template', 'textarea'])

const primary = (tag: string) => tag.toLowerCase().split('-')[0]

/** Whether an element says that it is in another language, or is none. https://www.w3.org/TR/WCAG22/#language-of-parts */
function isForeign(node: Node, language: string): boolean {
  if (!isElement(node)) return false
  const named = (name: string) => node.attrs.find((one) => one.name === name)?.value
  const lang = named('lang')
  return (
    NOT_LANGUAGE.has(node.tagName) ||
    named('translate') === 'no' ||
    named('spellcheck') === 'false' ||
    (lang !== undefined && primary(lang) !== primary(language))
  )
}

/** The words of main content in the language of the site. */
export function wordsInBody(body: Body, language: string): PlacedWord[] {
  const words: PlacedWord[] = []
  const collect = (node: Node) => {
    const at = node.sourceCodeLocation
    if (node.nodeName === '#text' && at) {
      for (const { word, start, end } of wordsInText(body.html.slice(at.startOffset, at.endOffset), true))
        words.push({ word, start: at.startOffset + start, end: at.startOffset + end })
    } else if (isElement(node) && !isForeign(node, language)) contentOf(node).childNodes.forEach(collect)
  }
  bodyTree(body).childNodes.forEach(collect)
  return words
}

interface Known {
  readonly language: string
  readonly words: readonly string[]
}
const known = new WeakMap<Body, Known>()
/** Each word as one string, however many texts have it. */
const words = new Map<string, string>()

/** The words that main content has in the language of the site, each once. Remembered as long as the body is. */
export function differentWordsIn(body: Body, language: string): readonly string[] {
  const before = known.get(body)
  if (before?.language === language) return before.words
  const found = new Set<string>()
  for (const { word } of wordsInBody(body, language)) {
    if (!words.has(word)) words.set(word, word)
    found.add(valueFor(words, word))
  }
  const result = [...found]
  known.set(body, { language, words: result })
  return result
}
