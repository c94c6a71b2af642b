import type { Site } from '../plan/site.ts'
import { nameKey } from '../standard/fileName.ts'

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
  const paths = known.get(files) ?? freePaths(files)
  known.set(files, paths)
  return paths
}

function freePaths(files: Site['files']): GeneratedPaths {
  const taken = [...files.values()].map(({ path }) => nameKey(path))
  const free = (base: string, ending: string) => {
    const isTaken = (path: string) =>
      taken.some((one) => (ending === '/' ? one.startsWith(path) : one === path))
    let path = base + ending
    for (let n = 2; isTaken(path); n++) path = `${base}-${n}${ending}`
    return path
  }
  return { style: free('style', '.css'), script: free('menu', '.js'), fonts: free('fonts', '/') }
}
