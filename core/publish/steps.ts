import { folderKeys } from '../standard/fileName.ts'
import type { HostFile } from './publication.ts'

/** One thing that is done on a host. */
export type Step =
  | { readonly do: 'put'; readonly file: HostFile }
  | { readonly do: 'remove'; readonly path: string }

/** Steps that may be done in any order among themselves, after all of those before. */
export type Stage = readonly Step[]

/** Where visitors come in: it comes after all that it leads to, and goes before. */
const isEntrance = (path: string) => /^index\.[a-z]+$/i.test(path)

/** All folders that a path stands in, without `/` at their ends. */
const foldersOf = (path: string): string[] => [...folderKeys(path)]

/** Whether one path needs a folder where the other needs a file. */
class Ways {
  readonly #paths: ReadonlySet<string>
  readonly #folders: ReadonlySet<string>

  constructor(paths: readonly string[]) {
    this.#paths = new Set(paths)
    this.#folders = new Set(paths.flatMap(foldersOf))
  }

  /** Whether a file cannot stand at a path beside these. */
  isBarred(path: string): boolean {
    return this.#folders.has(path) || foldersOf(path).some((folder) => this.#paths.has(folder))
  }
}

/**
 * What is to be done on a host, and in which order, so that a visitor gets whole pages whose links work at every moment:
 * what is new and no page, then new pages, then what changes, and what goes when nothing leads there any more. What is in
 * the way of a new page goes at first: a file cannot stand where a folder is, nor a folder where a file is. A redirect, to
 * which nothing leads, waits for that until the end.
 * @param before the files that publications put there
 * @param foldsCase whether names that differ by case alone are the same file there
 */
export function stagesOf(
  before: readonly HostFile[],
  after: readonly HostFile[],
  foldsCase = false,
): Stage[] {
  const key = ({ path }: HostFile) => (foldsCase ? path.toLowerCase() : path)
  const was = new Map(before.map((file) => [file.path, file]))
  const will = new Set(after.map(key))
  const gone = before.filter((file) => !will.has(key(file)))
  const putting = after.filter((file) => was.get(file.path)?.digest !== file.digest)
  const inTheWay = new Ways(gone.map(key))
  const isLate = (file: HostFile) => file.role === 'redirect' && inTheWay.isBarred(key(file))
  const needed = new Ways(putting.filter((file) => !isLate(file)).map(key))
  const [early, going] = [
    gone.filter((file) => needed.isBarred(key(file))),
    gone.filter((file) => !needed.isBarred(key(file))),
  ]
  const fresh = putting.filter((file) => !was.has(file.path) && !isLate(file))

  const put = (files: readonly HostFile[]): Step[] => files.map((file) => ({ do: 'put', file }))
  const remove = (files: readonly HostFile[]): Step[] => files.map(({ path }) => ({ do: 'remove', path }))
  const isPage = ({ path, role }: HostFile) => role !== 'file' && !isEntrance(path)
  const isBeside = ({ path, role }: HostFile) => role === 'file' && !isEntrance(path)
  const isHome = ({ path }: HostFile) => isEntrance(path)
  const stages = [
    remove(early),
    put(fresh.filter(isBeside)),
    put(fresh.filter(isPage)),
    put(fresh.filter(isHome)),
    put(putting.filter((file) => was.has(file.path))),
    remove(going.filter(isHome)),
    remove(going.filter(isPage)),
    remove(going.filter(isBeside)),
    put(putting.filter(isLate)),
  ]
  return stages.filter((stage) => stage.length > 0)
}
