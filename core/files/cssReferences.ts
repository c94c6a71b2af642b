import { tokenize, tokenTypes, url as cssUrl, string as cssString } from 'css-tree'

/** A place in a style sheet that names another file, as `url(…)` or by `@import "…"`. */
export interface CssReference {
  /** Where the whole of it stands, in characters. */
  readonly start: number
  readonly end: number
  /** What it names, without quotes and escapes. */
  readonly url: string
  readonly form: 'url' | 'string'
}

/**
 * Every reference of a style sheet to another file.
 * CSS Values and Units 4, section 4.5; CSS Cascading and Inheritance 4, section 2.
 */
export function cssReferences(css: string): CssReference[] {
  const found: CssReference[] = []
  /** Whether a string at this place names a file: right after `@import`, or in the brackets of `url()` or `src()`. */
  let names: 'import' | 'function' | undefined
  tokenize(css, (type, start, end) => {
    const text = css.slice(start, end)
    if (type === tokenTypes.WhiteSpace || type === tokenTypes.Comment) return
    if (type === tokenTypes.Url) found.push({ start, end, url: cssUrl.decode(text), form: 'url' })
    else if (type === tokenTypes.String && names)
      found.push({ start, end, url: cssString.decode(text), form: 'string' })
    names =
      type === tokenTypes.AtKeyword && text.toLowerCase() === '@import'
        ? 'import'
        : type === tokenTypes.Function && /^(url|src)\($/i.test(text)
          ? 'function'
          : undefined
  })
  return found
}

/** A style sheet with its references changed. @param change gives the new text of one; undefined to leave it */
export function withReferences(css: string, change: (url: string) => string | undefined): string {
  let changed = ''
  let from = 0
  for (const { start, end, url, form } of cssReferences(css)) {
    const next = change(url)
    if (next === undefined || next === url) continue
    changed += css.slice(from, start) + (form === 'url' ? cssUrl.encode(next) : cssString.encode(next))
    from = end
  }
  return changed + css.slice(from)
}
