import { type Token, Tokenizer, type TokenHandler, TokenizerMode } from 'parse5'
import { tableOf } from './table.ts'

/**
 * The source of a page as a flat list of what stands in it, each with its place: tags as they are written, whether or not
 * they hang together. https://html.spec.whatwg.org/multipage/parsing.html#tokenization
 */

/** A stretch of the source of a page. */
export interface Stretch {
  readonly start: number
  readonly end: number
}

/** An attribute as it is written. */
export interface AttributeToken extends Stretch {
  readonly name: string
  /** With its references resolved. */
  readonly value: string
}

export interface OpenTag extends Stretch {
  readonly kind: 'open'
  readonly tag: string
  readonly attributes: readonly AttributeToken[]
  readonly isClosed: boolean
}
export interface CloseTag extends Stretch {
  readonly kind: 'close'
  readonly tag: string
}
export interface TextToken extends Stretch {
  readonly kind: 'text'
  /** With its references resolved. */
  readonly text: string
}
/** A comment, a doctype, or code that a server runs. */
export interface OtherToken extends Stretch {
  readonly kind: 'comment' | 'doctype' | 'code'
}
export type PageToken = OpenTag | CloseTag | TextToken | OtherToken

/** Elements whose content is text alone. https://html.spec.whatwg.org/multipage/parsing.html#parsing-main-inhead */
const TEXT_MODES = tableOf<Tokenizer['state']>({
  title: TokenizerMode.RCDATA,
  textarea: TokenizerMode.RCDATA,
  style: TokenizerMode.RAWTEXT,
  xmp: TokenizerMode.RAWTEXT,
  iframe: TokenizerMode.RAWTEXT,
  noembed: TokenizerMode.RAWTEXT,
  noframes: TokenizerMode.RAWTEXT,
  script: TokenizerMode.SCRIPT_DATA,
  plaintext: TokenizerMode.PLAINTEXT,
})

/** Stands for every character of code, so that what surrounds it is read as it comes out. */
const CODE_SIGN = '\uE0FF'
const CODE = /<\?(?!xml\s)[\s\S]*?(?:\?>|$)/g

/** Whether a value holds code that a server runs: nobody knows what comes of it. */
export const hasCode = (value: string): boolean => value.includes(CODE_SIGN) || value.includes('<?')

/** Reads the source of a page. Every character of it belongs to exactly one token. */
export function tokensOf(source: string): readonly PageToken[] {
  const masked = source.includes('<?')
    ? source.replace(CODE, (code) => CODE_SIGN.repeat(code.length))
    : source
  const tokens: PageToken[] = []
  const known = new Map<string, string>()
  /** A name or value as one text for all its occurrences: the tokenizer builds each of single characters. */
  const shared = (text: string): string => {
    const same = known.get(text)
    if (same === undefined) known.set(text, text)
    return same ?? text
  }
  const at = (token: Token.Token): Stretch => ({
    start: token.location!.startOffset,
    end: token.location!.endOffset,
  })
  const putText = (token: Token.CharacterToken) => {
    const { start, end } = at(token)
    const last = tokens.at(-1)
    if (last?.kind === 'text' && last.end === start)
      tokens[tokens.length - 1] = { kind: 'text', start: last.start, end, text: last.text + token.chars }
    else tokens.push({ kind: 'text', start, end, text: token.chars })
  }
  const handler: TokenHandler = {
    onComment: (token) => tokens.push({ kind: 'comment', ...at(token) }),
    onDoctype: (token) => tokens.push({ kind: 'doctype', ...at(token) }),
    onStartTag(token) {
      const places = token.location!.attrs ?? {}
      const attributes = token.attrs.map(({ name, value }) => {
        const place = places[name]
        return {
          name: shared(name),
          value: shared(value),
          start: place?.startOffset ?? -1,
          end: place?.endOffset ?? -1,
        }
      })
      tokens.push({
        kind: 'open',
        ...at(token),
        tag: shared(token.tagName),
        attributes,
        isClosed: token.selfClosing,
      })
      const mode = TEXT_MODES.get(token.tagName)
      if (mode !== undefined) tokenizer.state = mode
    },
    onEndTag: (token) => tokens.push({ kind: 'close', ...at(token), tag: shared(token.tagName) }),
    onEof: () => undefined,
    onCharacter: putText,
    onNullCharacter: putText,
    onWhitespaceCharacter: putText,
  }
  const tokenizer = new Tokenizer({ sourceCodeLocationInfo: true }, handler)
  tokenizer.write(masked, true)
  return wholly(source, masked === source ? tokens : withCode(masked, tokens))
}

/** Cuts code out of the texts it stands in. */
function withCode(masked: string, tokens: readonly PageToken[]): PageToken[] {
  return tokens.flatMap((token): PageToken[] => {
    if (token.kind !== 'text' || !masked.slice(token.start, token.end).includes(CODE_SIGN)) return [token]
    const parts: PageToken[] = []
    for (const [run] of masked.slice(token.start, token.end).matchAll(/\uE0FF+|[^\uE0FF]+/g)) {
      const start = parts.at(-1)?.end ?? token.start
      const end = start + run.length
      if (run.startsWith(CODE_SIGN)) parts.push({ kind: 'code', start, end })
      else parts.push({ kind: 'text', start, end, text: run })
    }
    return parts
  })
}

/**
 * A text as a part of the source where it is written as it reads: that takes no memory of its own. The tokenizer builds it of
 * single characters, each of which takes memory until somebody reads the text.
 */
function inOnePiece(token: TextToken, source: string): TextToken {
  const written = source.slice(token.start, token.end)
  if (written === token.text) return { ...token, text: written }
  token.text.charCodeAt(0)
  return token
}

/** Gives what the tokenizer passes over, such as a tag that is cut off, tokens of its own. */
function wholly(source: string, tokens: readonly PageToken[]): readonly PageToken[] {
  const all: PageToken[] = []
  let from = 0
  for (const token of tokens) {
    if (token.start > from) all.push({ kind: 'comment', start: from, end: token.start })
    if (token.end <= from) continue
    all.push(token.kind === 'text' ? inOnePiece(token, source) : token)
    from = token.end
  }
  if (from < source.length) all.push({ kind: 'comment', start: from, end: source.length })
  return all
}

/** Where the value of an attribute stands, without its quotes. */
export function valueOf(text: string, { start, end, name }: AttributeToken): Stretch {
  const raw = text.slice(start, end)
  const equals = raw.indexOf('=', name.length)
  if (equals < 0) return { start: end, end }
  let from = equals + 1
  while (/\s/.test(raw[from] ?? '')) from++
  const quote = raw[from]
  return quote === '"' || quote === "'"
    ? { start: start + from + 1, end: end - 1 }
    : { start: start + from, end }
}

const references = new Map<string, string>()

/** What a character reference stands for; itself where it is none. */
export function referred(raw: string): string {
  let text = references.get(raw)
  if (text === undefined) {
    text = tokensOf(raw).reduce((all, token) => all + (token.kind === 'text' ? token.text : ''), '')
    references.set(raw, text)
  }
  return text
}

/**
 * Where the characters of a text stand in its source, which writes some of them as references.
 * @param raw the source of a text token
 * @param at a place in what it says
 */
export function sourceOffset(raw: string, at: number): number {
  let said = 0
  let from = 0
  for (const { 0: reference, index } of raw.matchAll(/&#?\w{1,32};?|\r\n/g)) {
    const plain = index - from
    if (said + plain >= at) break
    // Line ends are read as one character. https://infra.spec.whatwg.org/#normalize-newlines
    said += plain + (reference === '\r\n' ? 1 : referred(reference).length)
    from = index + reference.length
    if (said >= at) return from
  }
  return from + at - said
}
