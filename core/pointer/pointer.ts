import { asBrowsersRead, fragmentOf, withoutFragment, withoutQuery } from '../standard/reference.ts'

/**
 * How authors' HTML and style sheets point to entries and files of the site: by id, so that links follow when a page is
 * renamed or moved. `entry:opening-times#winter`, `site-file:lock-picture`.
 */
export interface Pointer {
  readonly to: 'entry' | 'site-file'
  readonly id: string
  /** What is asked of the address, without its `?`; empty for nothing. */
  readonly query: string
  /** The part of the page or file, decoded; empty for the whole. */
  readonly fragment: string
}

const FORM = /^(entry|site-file):([a-z0-9-]+)$/i

/** The pointer that a reference is, however browsers would take it for the same; undefined for any other reference. */
export function readPointer(reference: string): Pointer | undefined {
  const text = asBrowsersRead(reference)
  const [, scheme, id] = FORM.exec(withoutQuery(text)) ?? []
  if (scheme === undefined || id === undefined) return undefined
  const whole = withoutFragment(text)
  const query = whole.slice(withoutQuery(text).length + 1)
  return {
    to: scheme.toLowerCase() as Pointer['to'],
    id: id.toLowerCase(),
    query,
    fragment: decoded(fragmentOf(text) ?? ''),
  }
}

/** A pointer as it is written. */
export function writePointer({ to, id, query, fragment }: Pointer): string {
  const part = fragment === '' ? '' : `#${fragment.replace(/[%#\s]/g, encodeURIComponent)}`
  return `${to}:${id}${query === '' ? '' : `?${query}`}${part}`
}

/** A pointer to a page, or to a part of it. */
export const entryPointer = (id: string, fragment = ''): string =>
  writePointer({ to: 'entry', id, query: '', fragment })

/** A pointer to a file of the site. */
export const filePointer = (id: string): string =>
  writePointer({ to: 'site-file', id, query: '', fragment: '' })

/** A percent-encoded text as it is meant; as it stands where it is not well encoded. */
export function decoded(text: string): string {
  try {
    return decodeURIComponent(text)
  } catch {
    return text
  }
}
