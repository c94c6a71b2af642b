import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { Change } from '@viatica/core/plan/change/change.ts'
import type { KeptEdit, Keeping, Taken, TypedText } from './keeping.ts'
import { type Living, livingInBrowser } from './living.ts'

interface Kept extends DBSchema {
  edits: { key: string; value: KeptEdit; indexes: { site: string } }
  typed: { key: string; value: TypedText; indexes: { site: string } }
}

/** Changes are plain data, but the browser cannot copy what Vue has wrapped. */
const plain = (change: Change) => JSON.parse(JSON.stringify(change)) as Change

/** Keeps edits in the browser (IndexedDB). Where that cannot be had, nothing outlives the window. */
export class KeptInBrowser implements Keeping {
  readonly #database: Promise<IDBPDatabase<Kept> | undefined>
  readonly #living: Living
  isLasting = true

  constructor(name = 'viatica', living = livingInBrowser) {
    this.#living = living
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
    const living = await this.#living()
    const isOrphan = (one: { window: string }) => one.window === window || !living.has(one.window)
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

  async putEdit(edit: KeptEdit, takes: Taken = {}): Promise<void> {
    await this.#with(async (database) => {
      const work = database.transaction(['edits', 'typed'], 'readwrite')
      if (takes.edit !== undefined) await work.objectStore('edits').delete(takes.edit)
      if (takes.typed !== undefined) await work.objectStore('typed').delete(takes.typed)
      await work.objectStore('edits').put({ ...edit, change: plain(edit.change) })
      await work.done
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
      const all = [...(await database.getAll('edits')), ...(await database.getAll('typed'))]
      for (const { site } of all) counts.set(site, (counts.get(site) ?? 0) + 1)
      return counts
    }, new Map<string, number>())
  }
}
