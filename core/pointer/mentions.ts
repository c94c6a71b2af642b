import jsTokens from 'js-tokens'
import { hasCode, tokensOf } from '../standard/pageTokens.ts'

/** A text in a source that may be the address of something, though HTML does not say so. */
export interface Mention {
  /** Where the value of an `option` begins, or the script. */
  readonly at: number
  readonly in: 'option' | 'script'
  readonly text: string
}

/** Longer scripts are libraries, which name nothing of the site. */
const LONGEST_SCRIPT = 100_000

/** What could be a path: no blanks, no signs that paths do not have, and a dot or a slash. */
const PATH = /^(?![#?])(?=[^./]{0,200}[./])[^\s<>"'`{}|\\^]{2,200}$/

const JAVASCRIPT = /^\s*javascript:/i

/** Whether a source may have any. */
const MAY_MENTION = /<option|<script|\son[a-z]|javascript:/i

/** The texts of a script that could be paths. https://tc39.es/ecma262/#prod-StringLiteral */
function* textsOf(script: string): Generator<string> {
  if (script.length > LONGEST_SCRIPT) return
  for (const { type, value } of jsTokens(script)) {
    if (type !== 'StringLiteral' && type !== 'NoSubstitutionTemplate') continue
    const text = value.slice(1, -1).replaceAll('\\/', '/')
    if (PATH.test(text) && !hasCode(text)) yield text
  }
}

/**
 * What options and scripts of a source name. Nobody knows what a script does with a text, so it is never rewritten: who finds
 * the address of a page or file in it tells its author.
 */
export function* mentionsIn(html: string): Generator<Mention> {
  if (!MAY_MENTION.test(html)) return
  let script: number | undefined
  for (const token of tokensOf(html)) {
    if (token.kind === 'text') {
      if (script !== undefined)
        for (const text of textsOf(html.slice(token.start, token.end)))
          yield { at: script, in: 'script', text }
    } else if (token.kind === 'close') script = undefined
    else if (token.kind === 'open') {
      script = token.tag === 'script' ? token.start : undefined
      for (const { name, value, start } of token.attributes) {
        if (token.tag === 'option' && name === 'value') {
          if (PATH.test(value) && !hasCode(value)) yield { at: start, in: 'option', text: value }
        } else if (name.startsWith('on') || JAVASCRIPT.test(value))
          for (const text of textsOf(value.replace(JAVASCRIPT, ''))) yield { at: start, in: 'script', text }
      }
    }
  }
}
