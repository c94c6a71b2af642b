import { tokenize, tokenTypes } from 'css-tree/tokenizer'
import { string as cssString, url as cssUrl } from 'css-tree/utils'

/** A place in a style sheet that names another file, as `url(…)` or by a string. */
export interface StyleReference {
  /** Where the whole of it stands, in characters. */
  readonly start: number
  readonly end: number
  /** What it names, without quotes and escapes. */
  readonly url: string
  /** How it is written: as `url(…)`, or as a string in quotes. */
  readonly form: 'url' | 'double quoted' | 'single quoted'
}

const quotedAs = (text: string) => (text.startsWith("'") ? 'single quoted' : 'double quoted')

/** Functions whose strings name files; a string within one of their own functions does not. */
const NAMING = /^(?:url|src|(?:-webkit-)?image-set|image)\($/i

/**
 * Every reference of a style sheet, or of a `style` attribute, to another file.
 * CSS Values and Units 4, section 4.5; CSS Cascading and Inheritance 4, section 2; CSS Images 4, section 2.
 */
export function styleReferences(css: string): StyleReference[] {
  const found: StyleReference[] = []
  /** The functions and brackets that are open, the innermost last: whether strings right in them name files. */
  const open: boolean[] = []
  let isAfterImport = false
  tokenize(css, (type, start, end) => {
    if (type === tokenTypes.WhiteSpace || type === tokenTypes.Comment) return
    const text = css.slice(start, end)
    if (type === tokenTypes.Url) found.push({ start, end, url: cssUrl.decode(text), form: 'url' })
    else if (type === tokenTypes.String && (isAfterImport || open.at(-1)))
      found.push({ start, end, url: cssString.decode(text), form: quotedAs(text) })
    else if (type === tokenTypes.Function) open.push(NAMING.test(text))
    else if (type === tokenTypes.LeftParenthesis) open.push(false)
    else if (type === tokenTypes.RightParenthesis) open.pop()
    isAfterImport = type === tokenTypes.AtKeyword && text.toLowerCase() === '@import'
  })
  return found
}

/** A reference as it is written in the form of the one whose place it takes. */
export function writeStyleReference(url: string, form: StyleReference['form']): string {
  return form === 'url' ? cssUrl.encode(url) : cssString.encode(url, form === 'single quoted')
}

/** A style sheet with its references changed. @param change gives the new text of one; undefined to leave it */
export function withStyleReferences(css: string, change: (url: string) => string | undefined): string {
  let changed = ''
  let from = 0
  for (const { start, end, url, form } of styleReferences(css)) {
    const next = change(url)
    if (next === undefined || next === url) continue
    changed += css.slice(from, start) + writeStyleReference(next, form)
    from = end
  }
  return changed + css.slice(from)
}
