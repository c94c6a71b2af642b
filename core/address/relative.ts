/** A path of the site as it stands in a URL: every segment percent-encoded (RFC 3986 section 2.1). */
export function encodePath(path: string): string {
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
  const from = folder.split('/')
  const target = to.split('/')
  let shared = 0
  while (shared < from.length - 1 && shared < target.length - 1 && from[shared] === target[shared]) shared++
  const up = '../'.repeat(from.length - 1 - shared)
  return up + target.slice(shared).map(encodeURIComponent).join('/')
}

/** The URL of a fragment, percent-encoded where it must be, `#` included; empty for none. */
export function fragmentHref(fragment: string): string {
  return fragment === '' ? '' : `#${encodeURI(fragment).replaceAll('#', '%23')}`
}
