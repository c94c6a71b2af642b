import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { Change } from '@viatica/core/plan/change/change.ts'
import type { KeptEdit, Keeping, TypedText } from './keeping.ts'

interface Kept extends DBSchema {
  edits: { key: string; value: KeptEdit; indexes: { site: string } }
  typed: { key: string; value: TypedText; indexes: { site: string } }
}

const lockOf = (window: string) => `viatica-window-${window}`

/** Undefined where the browser has none: in an insecure context. */
const locks = (): LockManager | undefined =>
  (globalThis as { navigator?: { locks?: LockManager } }).navigator?.locks

/** Says, as long as this window lives, that it looks after its edits. https://w3c.github.io/web-locks/ */
export function sayThatWeLive(window: string): void {
  // Held for ever: the browser gives it up when the window is gone, however that went.
  void locks()?.request(lockOf(window), () => new Promise(() => undefined))
}

/** The windows of this browser that live; undefined where the browser does not say. */
async function livingWindows(): Promise<Set<string> | undefined> {
  const all = await locks()?.query()
  return all && new Set((all.held ?? []).flatMap(({ name }) => name ?? []))
}

/** Changes are plain data, but the browser cannot copy what Vue has wrapped. */
const plain = (change: Change) => JSON.parse(JSON.stringify(change)) as Change

/** Keeps edits in the browser (IndexedDB). Where that cannot be had, nothing outlives the window. */
export class KeptInBrowser implements Keeping {
  readonly #database: Promise<IDBPDatabase<Kept> | undefined>
  isLasting = true

  constructor(name = 'viatica') {
    this.#database = this.#open(name)
  }

  async #open(name: string): Promise<IDBPDatabase<Kept> | undefined> {
    try {
      return await openDB<Kept>(name, 1, {
        upgrade(database) {
          database.createObjectStore('edits', { keyPath: 'id' }).createIndex('site', 'site')
          database.createObjectStore('typed', { keyPath: 'id' }).createIndex('site', 'site')
        },
      })
    } catch {
      this.isLasting = false
      return undefined
    }
  }

  /** Does something with the database; a browser that refuses (no room, a private window) ends the keeping. */
  async #with<Result>(
    work: (database: IDBPDatabase<Kept>) => Promise<Result>,
    otherwise: Result,
  ): Promise<Result> {
    const database = await this.#database
    if (!database) return otherwise
    try {
      const result = await work(database)
      this.isLasting = true
      return result
    } catch {
      this.isLasting = false
      return otherwise
    }
  }

  async adopt(site: string, window: string): Promise<{ edits: KeptEdit[]; typed: TypedText[] }> {
    const living = await livingWindows()
    const isOrphan = (one: { window: string }) => one.window === window || !living?.has(lockOf(one.window))
    return this.#with(
      async (database) => {
        const work = database.transaction(['edits', 'typed'], 'readwrite')
        const edits = work.objectStore('edits')
        const typed = work.objectStore('typed')
        const ours = (await edits.index('site').getAll(site)).filter(isOrphan)
        const texts = (await typed.index('site').getAll(site)).filter(isOrphan)
        for (const edit of ours) await edits.put({ ...edit, window })
        for (const text of texts) await typed.put({ ...text, window })
        await work.done
        return {
          edits: ours.sort((a, b) => a.order - b.order),
          typed: texts,
        }
      },
      { edits: [], typed: [] },
    )
  }

  async putEdit(edit: KeptEdit): Promise<void> {
    await this.#with(async (database) => {
      await database.put('edits', { ...edit, change: plain(edit.change) })
    }, undefined)
  }

  async removeEdits(ids: readonly string[]): Promise<void> {
    await this.#with(async (database) => {
      const work = database.transaction('edits', 'readwrite')
      for (const id of ids) await work.store.delete(id)
      await work.done
    }, undefined)
  }

  async putTyped(text: TypedText): Promise<void> {
    await this.#with(async (database) => {
      await database.put('typed', { ...text, change: plain(text.change) })
    }, undefined)
  }

  async removeTyped(id: string): Promise<void> {
    await this.#with((database) => database.delete('typed', id), undefined)
  }

  async waiting(): Promise<ReadonlyMap<string, number>> {
    return this.#with(async (database) => {
      const counts = new Map<string, number>()
      for (const { site } of await database.getAll('edits')) counts.set(site, (counts.get(site) ?? 0) + 1)
      return counts
    }, new Map<string, number>())
  }
}
