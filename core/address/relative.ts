/** What needs no encoding (RFC 3986 section 2.3): most paths, and looked at far more often than all others. */
const UNRESERVED = /^[A-Za-z0-9\-._~/]*$/

/** A path of the site as it stands in a URL: every segment percent-encoded (RFC 3986 section 2.1). */
export function encodePath(path: string): string {
  if (UNRESERVED.test(path)) return path
  return path.split('/').map(encodeURIComponent).join('/')
}

/** The folder that a path stands in, with a `/` at its end; empty for the top of the site. */
export function folderOf(path: string): string {
  return path.slice(0, path.lastIndexOf('/') + 1)
}

/**
 * The link to write on a page that stands in a folder of the site, leading to a file of the site.
 * @param folder plain, from the top of the site, ending in `/` or empty
 * @param to plain path of the file; the file in the folder itself is linked by its name
 * @returns percent-encoded, never empty, never starting with `/`
 */
export function relativeHref(folder: string, to: string): string {
  /** How far both go through the same folders. */
  let shared = 0
  for (let at = 0; at < folder.length && folder[at] === to[at]; at++) if (folder[at] === '/') shared = at + 1
  let up = ''
  for (let at = shared; at < folder.length; at++) if (folder[at] === '/') up += '../'
  return up + encodePath(to.slice(shared))
}

/** The URL of a fragment, percent-encoded where it must be, `#` included; empty for none. */
export function fragmentHref(fragment: string): string {
  return fragment === '' ? '' : `#${encodeURI(fragment).replaceAll('#', '%23')}`
}
