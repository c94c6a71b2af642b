import type { EntryId } from '../plan/entry.ts'
import type { Site } from '../plan/site.ts'
import { folderKeys, nameKey } from '../standard/fileName.ts'
import { generatedPaths } from './generated.ts'

/** What the addresses of pages have to go round: everything of a site that stands at a path before them. */
export type Claiming = Pick<Site, 'files'> & {
  readonly plan: Pick<Site['plan'], 'entries'>
  readonly settings: Pick<Site['settings'], 'redirects'>
}

const NOBODY: ReadonlySet<EntryId> = new Set()

/**
 * The paths of the finished site that are taken: files of the author's and of ours, addresses that lead on or were given
 * out, and what pages claimed. No path is another's folder, whatever is written first.
 */
export class Claims {
  /** Who may stand at a path all the same: the pages that it was given out for, or leads to. */
  readonly #files = new Map<string, ReadonlySet<EntryId>>()
  readonly #folders = new Set<string>()

  constructor({ files, plan, settings }: Claiming) {
    for (const { path } of files.values()) this.#put(path, NOBODY)
    const { style, script, fonts } = generatedPaths({ files })
    for (const path of [style, script, `${fonts}x`]) this.#put(path, NOBODY)
    const owners = new Map<string, Set<EntryId>>()
    const own = (path: string, id: EntryId | undefined) => {
      const all = owners.get(path) ?? new Set()
      if (id !== undefined) all.add(id)
      owners.set(path, all)
    }
    for (const { from, to } of settings.redirects) own(from, to.to === 'entry' ? to.entry : undefined)
    for (const entry of plan.entries.values())
      if (entry.kind === 'page') for (const address of entry.pin?.addresses ?? []) own(address, entry.id)
    for (const [path, pages] of owners) {
      const key = nameKey(path)
      // What is a file already belongs to nobody.
      if (!this.#files.has(key)) this.#files.set(key, pages)
    }
  }

  #put(path: string, owners: ReadonlySet<EntryId>): void {
    const key = nameKey(path)
    this.#files.set(key, owners)
    for (const folder of folderKeys(key)) {
      if (this.#folders.has(folder)) break
      this.#folders.add(folder)
    }
  }

  /** Whether an entry cannot have a file there. */
  isTaken(path: string, by: EntryId): boolean {
    const key = nameKey(path)
    const owners = this.#files.get(key)
    return this.#folders.has(key) || (owners !== undefined && !owners.has(by))
  }

  /** Whether no folder can be there. @param path without a slash at its end */
  isFile(path: string): boolean {
    const key = nameKey(path)
    // An address without an ending leads on from a folder, mostly: it rests where there is one now.
    return (
      this.#files.has(key) && (key.lastIndexOf('.') > key.lastIndexOf('/') || this.#files.get(key) === NOBODY)
    )
  }

  claimFile(path: string): void {
    this.#put(path, NOBODY)
  }

  claimFolder(path: string): void {
    this.#folders.add(nameKey(path))
  }
}
