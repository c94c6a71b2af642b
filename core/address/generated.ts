import type { Site } from '../plan/site.ts'
import { PathTree } from '../standard/pathTree.ts'

/** Where the files stand that Viatica makes for all pages together. */
export interface GeneratedPaths {
  readonly style: string
  readonly script: string
  /** The folder of the open fonts, ending in `/`. */
  readonly fonts: string
}

/** What the files of Viatica go round. */
export type Placing = Pick<Site, 'files'> & { readonly plan: Pick<Site['plan'], 'entries'> }

const known = new WeakMap<Site['files'], { entries: Site['plan']['entries']; paths: GeneratedPaths }>()

/**
 * Returns the paths of what is made for a site: where the author has a file of that name already, or a page that keeps its
 * address there, the next free one. Remembered: files and entries of a site are never changed in place.
 */
export function generatedPaths({ files, plan: { entries } }: Placing): GeneratedPaths {
  const last = known.get(files)
  if (last?.entries === entries) return last.paths
  const paths = freePaths(files, entries)
  known.set(files, { entries, paths })
  return paths
}

/** The addresses that pages keep, as far as they can be in the way of a file of Viatica. */
function* keptNearby(entries: Site['plan']['entries']): Generator<string> {
  for (const entry of entries.values())
    if (entry.kind === 'page')
      for (const address of entry.pin?.addresses ?? [])
        if (/^(?:style|menu|fonts)/i.test(address)) yield address
}

function freePaths(files: Site['files'], entries: Site['plan']['entries']): GeneratedPaths {
  const tree = new PathTree<true>()
  for (const { path } of files.values()) tree.put(path, true)
  // Pages may be in the same folder, and go round a file of Viatica; a folder of pages that keep their paths can be no file.
  const kept = new PathTree<true>()
  for (const address of keptNearby(entries)) kept.put(address, true)
  const free = (base: string, ending: string) => {
    // A folder is free where a file in it would be, and where there is none yet.
    const isTaken = (path: string) =>
      ending === '/'
        ? tree.hasFolder(path) || tree.hasFile(path) || kept.hasFile(path)
        : tree.inTheWay(path) !== undefined || kept.hasFolder(path)
    const pathOf = (n: number) => `${base}${n === 1 ? '' : `-${n}`}${ending === '/' ? '' : ending}`
    let n = 1
    while (isTaken(pathOf(n))) n++
    return pathOf(n) + (ending === '/' ? '/' : '')
  }
  return { style: free('style', '.css'), script: free('menu', '.js'), fonts: free('fonts', '/') }
}

/** Whether the files of Viatica have the same paths on two sites. */
export function isGeneratedAlike(a: Placing, b: Placing): boolean {
  const [before, after] = [generatedPaths(a), generatedPaths(b)]
  return before.style === after.style && before.script === after.script && before.fonts === after.fonts
}
