import { valueFor } from '../../standard/present.ts'
import type { PageRule } from '../rule.ts'

/** Windows takes 260 characters for a whole path; what the site is unpacked into comes before. */
const MOST = 180

/** A path that some systems cannot hold. */
export const longAddress: PageRule = {
  id: 'long-address',
  group: 'addresses',
  severity: 'warning',
  about: 'paths too long for some systems',
  source: 'MAX_PATH: https://learn.microsoft.com/windows/win32/fileio/maximum-file-path-limitation',
  from: ({ addresses }, page) => [addresses.paths.get(page.id)],
  find({ addresses }, page) {
    const path = valueFor(addresses.paths, page.id)
    if (path.length <= MOST) return []
    const words = `The path has ${path.length} characters, which some systems cannot hold.`
    return [{ place: { in: 'entry', entry: page.id }, words, gist: path }]
  },
}
