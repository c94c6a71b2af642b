/** The five parts of a URI reference; undefined when a part is absent (RFC 3986 section 3). */
export interface Reference {
  readonly scheme: string | undefined
  readonly authority: string | undefined
  readonly path: string
  readonly query: string | undefined
  readonly fragment: string | undefined
}

/** RFC 3986 appendix B, with the scheme held to the grammar of section 3.1. */
const PARTS = /^(?:([A-Za-z][A-Za-z0-9+.-]*):)?(?:\/\/([^/?#]*))?([^?#]*)(?:\?([^#]*))?(?:#(.*))?$/s

/** Takes a reference apart. Every text is a reference: it may be a path and nothing else. */
export function splitReference(reference: string): Reference {
  const [, scheme, authority, path, query, fragment] = PARTS.exec(reference)!
  return { scheme, authority, path: path!, query, fragment }
}

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
