import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import { type Living, livingInBrowser } from './living.ts'

/** The content of a form that is not saved yet. */
export interface Draft {
  readonly id: string
  readonly site: string
  readonly window: string
  /** Names the form within its site. */
  readonly form: string
  /** Names the form for its author. */
  readonly words: string
  /** The address of the screen that shows the form. */
  readonly at: string
  /** Plain data. */
  readonly content: unknown
}

interface Stored extends DBSchema {
  drafts: { key: string; value: Draft; indexes: { site: string } }
}

/** Async, since browsers that refuse to store throw at once or later. */
async function openStored(name: string): Promise<IDBPDatabase<Stored>> {
  return openDB<Stored>(name, 1, {
    upgrade: (database) =>
      void database.createObjectStore('drafts', { keyPath: 'id' }).createIndex('site', 'site'),
  })
}

/**
 * Stores drafts in the browser (IndexedDB), in a database of their own: a new version of one that other windows have open
 * would wait for them. Where the browser refuses to store, drafts last as long as the window.
 */
export class DraftsInBrowser {
  readonly #database: Promise<IDBPDatabase<Stored> | undefined>
  /** Drafts to be written, by id; undefined where one is to be removed. */
  readonly #pending = new Map<string, Draft | undefined>()
  #isWriting = false

  constructor(
    name = 'viatica-drafts',
    readonly living: Living = livingInBrowser,
  ) {
    this.#database = openStored(name).catch(() => undefined)
  }

  /** Gives a window the drafts of a site that windows left which are closed now. @returns those drafts */
  async adopt(site: string, window: string): Promise<Draft[]> {
    const [database, living] = await Promise.all([this.#database, this.living()])
    if (!database) return []
    try {
      const work = database.transaction('drafts', 'readwrite')
      const all = await work.store.index('site').getAll(site)
      const left = all
        .filter((draft) => draft.window === window || !living.has(draft.window))
        .map((draft) => ({ ...draft, window }))
      for (const draft of left) await work.store.put(draft)
      await work.done
      return left
    } catch {
      return []
    }
  }

  put(draft: Draft): void {
    // The browser cannot copy objects that Vue has wrapped.
    this.#pending.set(draft.id, JSON.parse(JSON.stringify(draft)) as Draft)
    void this.#write()
  }

  remove(id: string): void {
    this.#pending.set(id, undefined)
    void this.#write()
  }

  /** Writes what is pending; of a draft that changes faster than that, only the newest content. */
  async #write(): Promise<void> {
    if (this.#isWriting) return
    this.#isWriting = true
    const database = await this.#database
    for (const [id, draft] of this.#pending) {
      this.#pending.delete(id)
      if (draft) await database?.put('drafts', draft).catch(() => undefined)
      else await database?.delete('drafts', id).catch(() => undefined)
    }
    this.#isWriting = false
  }
}
