import type { EntryId } from '../plan/ids.ts'
import type { Site } from '../plan/site.ts'
import { nameKey } from '../standard/fileName.ts'
import { PathTree } from '../standard/pathTree.ts'
import { generatedPaths } from './generated.ts'

/** What the addresses of pages have to go round: everything of a site that stands at a path before them. */
export type Claiming = Pick<Site, 'files'> & {
  readonly plan: Pick<Site['plan'], 'entries'>
  readonly settings: Pick<Site['settings'], 'redirects'>
}

/**
 * The paths of the finished site that are taken: files of the author and of Viatica, addresses that redirect or were
 * published, and what pages claimed. No path is another's folder, whatever is written first.
 */
export class Claims {
  /** What is at a path for certain. */
  readonly #tree = new PathTree<true>()
  /** The addresses that redirect or were published, each with the pages that may be there anyway. */
  readonly #owners = new Map<string, Set<EntryId>>()
  readonly #owning = new Set<EntryId>()

  constructor({ files, plan, settings }: Claiming) {
    for (const { path } of files.values()) this.#tree.put(path, true)
    const { style, script, fonts } = generatedPaths({ files, plan })
    for (const path of [style, script, `${fonts}x`]) this.#tree.put(path, true)
    for (const { from, to } of settings.redirects) this.#own(from, to.to === 'entry' ? to.entry : undefined)
    for (const entry of plan.entries.values())
      if (entry.kind === 'page')
        for (const address of entry.pin?.addresses ?? []) this.#own(address, entry.id)
  }

  #own(path: string, id: EntryId | undefined): void {
    const key = nameKey(path)
    const all = this.#owners.get(key) ?? new Set()
    this.#owners.set(key, all)
    if (id === undefined) return
    all.add(id)
    this.#owning.add(id)
  }

  /** Whether an entry has addresses that nobody else may take. */
  owns(id: EntryId): boolean {
    return this.#owning.has(id)
  }

  #isKept(path: string, by: EntryId): boolean {
    const owners = this.#owners.get(nameKey(path))
    return owners !== undefined && !owners.has(by)
  }

  /** Whether an entry cannot have a file at a path, whose folder can be there. */
  isTaken(path: string, by: EntryId): boolean {
    return this.#tree.hasFile(path) || this.#tree.hasFolder(path) || this.#isKept(path, by)
  }

  /** Whether an entry can have a file at a path and a folder for it. */
  isFree(path: string, by: EntryId): boolean {
    return !this.isTaken(path, by) && this.canBeFolder(path.slice(0, Math.max(0, path.lastIndexOf('/'))))
  }

  /** Whether no folder can be there. @param path without a slash at its end */
  isFile(path: string): boolean {
    if (this.#tree.hasFile(path)) return true
    // An address without an ending redirects from a folder, mostly: it rests where there is one now.
    return path.lastIndexOf('.') > path.lastIndexOf('/') && this.#owners.has(nameKey(path))
  }

  /** Whether a folder can be there, with those above it. @param path without a slash at its end; empty for the top */
  canBeFolder(path: string): boolean {
    for (let end = path.length; end > 0; end = path.lastIndexOf('/', end - 1))
      if (this.isFile(path.slice(0, end))) return false
    return true
  }

  claimFile(path: string): void {
    this.#tree.put(path, true)
  }

  claimFolder(path: string): void {
    this.#tree.putFolder(path)
  }
}
