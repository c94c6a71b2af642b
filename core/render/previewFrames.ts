import { escapeAttribute, escapeText } from '../standard/escape.ts'

const BEGINS = /<iframe(?=[\s/>])/gi
const SOURCE = /\ssrc\s*=\s*(?:"([^"]*)"|'([^']*)'|([^\s"'>]+))/i

/** Returns the place of the `>` that ends a tag; undefined where it never ends. https://html.spec.whatwg.org/#tag-open-state */
function endOfTag(html: string, from: number): number | undefined {
  let quote = ''
  let before = ''
  for (let at = from; at < html.length; at++) {
    const sign = html[at]!
    if (quote !== '') quote = sign === quote ? '' : quote
    // Elsewhere, a quotation mark is part of a name or value.
    else if ((sign === '"' || sign === "'") && before === '=') quote = sign
    else if (sign === '>') return at
    if (!/\s/.test(sign)) before = sign
  }
  return undefined
}

/** Names what a frame shows: the host of an address, else the address. */
const nameOf = (source: string): string => /^(?:https?:)?\/\/([^/?#]+)/i.exec(source)?.[1] ?? source

/**
 * Replaces what frames of a page show by its name. Previews request nothing from other hosts but pictures, styles and fonts, and
 * a browser reports every frame that they refuse as an error.
 */
export function withNamedFrames(html: string): string {
  let result = ''
  let done = 0
  for (const { index } of html.matchAll(BEGINS)) {
    if (index < done) continue
    const end = endOfTag(html, index + '<iframe'.length)
    if (end === undefined) break
    const tag = html.slice(index, end)
    const source = SOURCE.exec(tag)
    if (source && !/\ssrcdoc\s*=/i.test(tag)) {
      const name = nameOf(source[1] ?? source[2] ?? source[3] ?? '')
      const shown = `<p style="font:14px system-ui,sans-serif">Embedded: ${escapeText(name)}</p>`
      result += html.slice(done, index) + tag.replace(SOURCE, () => ` srcdoc="${escapeAttribute(shown)}"`)
      done = end
    }
  }
  return result + html.slice(done)
}
