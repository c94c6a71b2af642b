import type { Site } from '../plan/site.ts'
import { PathTree } from '../standard/pathTree.ts'

/** Where the files stand that Viatica makes for all pages together. */
export interface GeneratedPaths {
  readonly style: string
  readonly script: string
  /** The folder of the open fonts, ending in `/`. */
  readonly fonts: string
}

const known = new WeakMap<Site['files'], GeneratedPaths>()

/**
 * The paths of what is made for a site: where the author has a file of that name already, the next free one. Remembered:
 * the files of a site are never changed in place.
 */
export function generatedPaths({ files }: Pick<Site, 'files'>): GeneratedPaths {
  const paths = known.get(files) ?? freePaths({ files })
  known.set(files, paths)
  return paths
}

function freePaths({ files }: Pick<Site, 'files'>): GeneratedPaths {
  const tree = new PathTree<true>()
  for (const { path } of files.values()) tree.put(path, true)
  const free = (base: string, ending: string) => {
    // A folder is free where a file in it would be, and where there is none yet.
    const isTaken = (path: string) =>
      ending === '/' ? tree.hasFolder(path) || tree.hasFile(path) : tree.inTheWay(path) !== undefined
    const pathOf = (n: number) => `${base}${n === 1 ? '' : `-${n}`}${ending === '/' ? '' : ending}`
    let n = 1
    while (isTaken(pathOf(n))) n++
    return pathOf(n) + (ending === '/' ? '/' : '')
  }
  return { style: free('style', '.css'), script: free('menu', '.js'), fonts: free('fonts', '/') }
}
