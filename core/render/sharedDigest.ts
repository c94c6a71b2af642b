import stringify from 'fast-json-stable-stringify'
import { xxHash32 } from 'js-xxhash'
import { filesByPath, type Site } from '../plan/site.ts'

function digestOf(value: unknown): string {
  // Fields in one order: a database keeps its own.
  const text = stringify(value)
  return xxHash32(text).toString(36) + text.length.toString(36)
}

const surrounds = new WeakMap<Site['surround'], string>()
const files = new WeakMap<Site['files'], string>()

function known<Key extends object>(digests: WeakMap<Key, string>, key: Key, of: () => unknown): string {
  const before = digests.get(key)
  if (before !== undefined) return before
  const digest = digestOf(of())
  digests.set(key, digest)
  return digest
}

/**
 * What tells a site from itself as it was when another file stood at a path, or a style sheet or script that is made for
 * all pages was another: as long as it is the same, so is every file that pages share. Small letters and digits.
 */
export function sharedDigest(site: Pick<Site, 'surround' | 'files'>): string {
  const ofFiles = known(files, site.files, () =>
    filesByPath(site).map(({ path, content }) => [path, content]),
  )
  return known(surrounds, site.surround, () => site.surround) + ofFiles
}
