import { escapeAttribute } from '../standard/escape.ts'
import {
  type OpenTag,
  type PageToken,
  referred,
  type Stretch,
  tokensOf,
  valueOf,
} from '../standard/pageTokens.ts'
import { formOf, type Placed, referencesIn } from './attributes.ts'
import { type Rewriting, rewritten, withReferencesIn } from './inHtml.ts'
import { styleReferences, withStyleReferences } from './styleReferences.ts'

/**
 * Where references are in the source of a page, or of a part of one. Unlike main content it need not be well-formed, so it is
 * read tag by tag.
 */

/** A reference in a source: where it is, and what is written there. */
export interface SourceReference extends Stretch {
  /** Whether it is a part of a value, as in a style or a list of pictures, and not the whole of it. */
  readonly isPart: boolean
  /** As it is written. */
  readonly raw: string
  /** What it means: without character references and escapes. */
  readonly url: string
}

/** A line end, which counts as one character, or a character reference. */
const RESOLVED = /\r\n?|&#?[a-z0-9]+;?/gi

/**
 * Where each character of a value begins in its source, and where the last one ends.
 * @returns undefined where the source means something else than the value
 */
function placesIn(raw: string, value: string): ((at: number) => number) | undefined {
  if (raw === value) return (at) => at
  const starts: number[] = []
  let said = ''
  let from = 0
  const put = (text: string, start: number, isOne: boolean) => {
    for (let at = 0; at < text.length; at++) starts.push(start + (isOne ? 0 : at))
    said += text
  }
  for (const { 0: written, index } of raw.matchAll(RESOLVED)) {
    put(raw.slice(from, index), from, false)
    put(written.startsWith('&') ? referred(written) : '\n', index, true)
    from = index + written.length
  }
  put(raw.slice(from), from, false)
  starts.push(raw.length)
  return said === value ? (at) => starts[at]! : undefined
}

/** Where an address itself is, without what CSS has around it; undefined where that is written with escapes. */
function withoutFrame(text: string, { start, end, url, form }: Placed): Stretch | undefined {
  if (form === undefined) return { start, end }
  const at = text.slice(start, end).lastIndexOf(url)
  return at < 0 || url === '' ? undefined : { start: start + at, end: start + at + url.length }
}

function* referencesOfTag(html: string, tag: OpenTag): Generator<SourceReference> {
  const element = { tagName: tag.tag, attrs: tag.attributes }
  for (const attribute of tag.attributes) {
    const form = formOf(attribute, element)
    if (form === undefined || attribute.start < 0) continue
    const { start, end } = valueOf(html, attribute)
    const raw = html.slice(start, end)
    if (form === 'address') {
      yield { isPart: false, start, end, raw, url: attribute.value }
      continue
    }
    const placeOf = placesIn(raw, attribute.value)
    if (placeOf) yield* placed(raw, start, referencesIn(attribute, element), attribute.value, placeOf)
  }
}

/** @param at where the source of the value begins */
function* placed(
  raw: string,
  at: number,
  references: readonly Placed[],
  value: string,
  placeOf: (at: number) => number,
): Generator<SourceReference> {
  for (const one of references) {
    const bare = withoutFrame(value, one)
    if (!bare) continue
    const [start, end] = [placeOf(bare.start), placeOf(bare.end)]
    yield { isPart: true, start: at + start, end: at + end, raw: raw.slice(start, end), url: one.url }
  }
}

/** The references in a source, in their order. */
export function* sourceReferences(
  html: string,
  tokens: readonly PageToken[] = tokensOf(html),
): Generator<SourceReference> {
  let isStyle = false
  for (const token of tokens) {
    if (token.kind === 'text') {
      if (!isStyle) continue
      const css = html.slice(token.start, token.end)
      yield* placed(css, token.start, styleReferences(css), css, (at) => at)
    } else if (token.kind === 'open') {
      isStyle = token.tag === 'style'
      yield* referencesOfTag(html, token)
    } else if (token.kind === 'close') isStyle = false
  }
}

/** A source with some of its references changed; every other byte stays. */
export function withSourceReferences(source: string, becomes: (url: string) => string | undefined): string {
  const changes: Rewriting[] = []
  let isStyle = false
  for (const token of tokensOf(source)) {
    if (token.kind === 'text' && isStyle) {
      const css = source.slice(token.start, token.end)
      changes.push({ start: token.start, end: token.end, text: withStyleReferences(css, becomes) })
    }
    if (token.kind === 'close') isStyle = false
    if (token.kind !== 'open') continue
    isStyle = token.tag === 'style'
    const element = { tagName: token.tag, attrs: [...token.attributes] }
    for (const attribute of token.attributes) {
      if (attribute.start < 0 || formOf(attribute, element) === undefined) continue
      const { name, start, end } = attribute
      const value = withReferencesIn(attribute, element, becomes)
      if (value !== attribute.value) changes.push({ start, end, text: `${name}="${escapeAttribute(value)}"` })
    }
  }
  return rewritten(source, changes)
}
