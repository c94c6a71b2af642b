/** The five parts of a URI reference; undefined when a part is absent (RFC 3986 section 3). */
export interface Reference {
  readonly scheme: string | undefined
  readonly authority: string | undefined
  readonly path: string
  readonly query: string | undefined
  readonly fragment: string | undefined
}

/** What stands before the first of a sign in a text, and after it; undefined where the text has none. */
function parted(text: string, sign: string): [before: string, after: string | undefined] {
  const at = text.indexOf(sign)
  return at < 0 ? [text, undefined] : [text.slice(0, at), text.slice(at + 1)]
}

/**
 * Takes a reference apart as RFC 3986 appendix B does, with the scheme held to the grammar of section 3.1. Every text is
 * a reference: it may be a path and nothing else.
 */
export function splitReference(reference: string): Reference {
  const [whole, fragment] = parted(reference, '#')
  const [hierarchy, query] = parted(whole, '?')
  const scheme = /^([A-Za-z][A-Za-z0-9+.-]*):/.exec(hierarchy)?.[1]
  const rest = scheme === undefined ? hierarchy : hierarchy.slice(scheme.length + 1)
  if (!rest.startsWith('//')) return { scheme, authority: undefined, path: rest, query, fragment }
  const slash = rest.indexOf('/', 2)
  const end = slash < 0 ? rest.length : slash
  return { scheme, authority: rest.slice(2, end), path: rest.slice(end), query, fragment }
}

/** The fragment of a reference; undefined where it has none. */
export const fragmentOf = (reference: string): string | undefined => parted(reference, '#')[1]

/**
 * A reference as browsers read it beside a web address: without the blanks around it and the line ends in it, and with
 * backslashes for slashes. https://url.spec.whatwg.org/#concept-basic-url-parser
 */
export function asBrowsersRead(reference: string): string {
  // eslint-disable-next-line no-control-regex -- the standard strips C0 controls and spaces
  const text = reference.replace(/^[\u0000-\u0020]+/, '').replace(/[\t\n\r]/g, '')
  let end = text.length
  while (end > 0 && text.charCodeAt(end - 1) <= 0x20) end--
  const whole = text.slice(0, end)
  const path = withoutQuery(whole)
  // Other schemes keep their backslashes.
  if (/^[a-z][a-z0-9+.-]*:/i.test(path) && !/^https?:/i.test(path)) return whole
  return path.replaceAll('\\', '/') + whole.slice(path.length)
}

/** A reference without its fragment. */
export const withoutFragment = (reference: string): string => parted(reference, '#')[0]

/** A reference without its query and its fragment. */
export const withoutQuery = (reference: string): string => parted(withoutFragment(reference), '?')[0]

/** RFC 3986 section 5.3. */
function joinReference({ scheme, authority, path, query, fragment }: Reference): string {
  return (
    (scheme === undefined ? '' : `${scheme}:`) +
    (authority === undefined ? '' : `//${authority}`) +
    path +
    (query === undefined ? '' : `?${query}`) +
    (fragment === undefined ? '' : `#${fragment}`)
  )
}

/** RFC 3986 section 5.2.4: `.` and `..` worked out of a path. */
function removeDotSegments(path: string): string {
  const kept: string[] = []
  const segments = path.split('/')
  const last = segments.length - 1
  segments.forEach((segment, at) => {
    if (segment === '..') {
      if (kept.length > 1) kept.pop()
      if (at === last) kept.push('')
    } else if (segment === '.') {
      if (at === last) kept.push('')
    } else kept.push(segment)
  })
  return kept.join('/')
}

/** RFC 3986 section 5.2.3. */
function mergePaths(base: Reference, path: string): string {
  if (base.authority !== undefined && base.path === '') return `/${path}`
  return base.path.slice(0, base.path.lastIndexOf('/') + 1) + path
}

/**
 * The address that a reference leads to from the document at `base`, by RFC 3986 section 5.2.2 (strict).
 * @param base an absolute URL
 */
export function resolveReference(base: string, reference: string): string {
  const from = splitReference(base)
  const to = splitReference(reference)
  if (to.scheme !== undefined) return joinReference({ ...to, path: removeDotSegments(to.path) })
  if (to.authority !== undefined) {
    return joinReference({ ...to, scheme: from.scheme, path: removeDotSegments(to.path) })
  }
  const { scheme, authority } = from
  if (to.path === '') {
    return joinReference({
      scheme,
      authority,
      path: from.path,
      query: to.query ?? from.query,
      fragment: to.fragment,
    })
  }
  const path = removeDotSegments(to.path.startsWith('/') ? to.path : mergePaths(from, to.path))
  return joinReference({ ...to, scheme, authority, path })
}
