import type { HostFile } from './publication.ts'

/** A page that has another address than it had. */
export interface MovedPage {
  readonly before: HostFile
  readonly after: HostFile
}

/** What a publication makes different on a host. */
export interface Difference {
  readonly added: readonly HostFile[]
  readonly changed: readonly { readonly before: HostFile; readonly after: HostFile }[]
  readonly moved: readonly MovedPage[]
  readonly deleted: readonly HostFile[]
  /** How many files stay as they are. */
  readonly same: number
}

/**
 * What differs between what a host has and what it is to have. A page that had another address is moved, whatever stands at
 * the old one now: the file there, as a redirect, is added or changed beside it.
 * @param before the files that publications put there
 */
export function differenceOf(before: readonly HostFile[], after: readonly HostFile[]): Difference {
  const was = new Map(before.map((file) => [file.path, file]))
  const will = new Map(after.map((file) => [file.path, file]))
  const pageWas = new Map(before.flatMap((file) => (file.page === null ? [] : [[file.page, file] as const])))
  const added: HostFile[] = []
  const changed: { before: HostFile; after: HostFile }[] = []
  const moved: MovedPage[] = []
  /** Addresses that a page left, and that lead on or are gone: told with the page. */
  const left = new Set<string>()
  let same = 0
  for (const file of after) {
    const from = file.page === null ? undefined : pageWas.get(file.page)
    if (from && from.path !== file.path) {
      moved.push({ before: from, after: file })
      if (will.get(from.path)?.role !== 'page') left.add(from.path)
    }
  }
  const movedTo = new Set(moved.map(({ after: { path } }) => path))
  for (const file of after) {
    const there = was.get(file.path)
    if (there?.digest === file.digest) same++
    else if (movedTo.has(file.path) || left.has(file.path)) continue
    else if (there) changed.push({ before: there, after: file })
    else added.push(file)
  }
  const deleted = before.filter(({ path }) => !will.has(path) && !left.has(path))
  return { added, changed, moved, deleted, same }
}

/** Whether a host has all that it is to have, and nothing else of ours. */
export const isNothing = ({ added, changed, moved, deleted }: Difference): boolean =>
  added.length + changed.length + moved.length + deleted.length === 0
