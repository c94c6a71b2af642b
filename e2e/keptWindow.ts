import { LATER_FILES } from '@viatica/web/laterFiles.ts'
import type { BrowserContext, Page } from '@playwright/test'
import { goWithin, isOpenAt } from './within.ts'

/** Where no site is open, and nothing is read from the server. */
const NOWHERE = '/nowhere'

/** Forgets what the application keeps in the browser. @returns how much of it had still to be saved */
async function forget(page: Page): Promise<number> {
  await page.context().clearCookies()
  return page.evaluate(async () => {
    localStorage.clear()
    dispatchEvent(new StorageEvent('storage', { key: null, storageArea: localStorage }))
    const result = <Result>(request: IDBRequest<Result>) =>
      new Promise<Result>((resolve, reject) => {
        request.onsuccess = () => resolve(request.result)
        request.onerror = () => reject(request.error ?? new Error('no database'))
      })
    const database = await result(indexedDB.open('viatica'))
    let waiting = 0
    for (const name of database.objectStoreNames) {
      const store = database.transaction(name, 'readwrite').objectStore(name)
      waiting += await result(store.count())
      await result(store.clear())
    }
    database.close()
    return waiting
  })
}

/**
 * A window of the application that goes from test to test, as an author's stays open from site to site: its scripts are
 * read, and run fast. Each test gets a site of its own (keptRows.ts), of which the window knows nothing.
 */
export class KeptWindow {
  readonly #context: BrowserContext
  readonly #url: string
  /** Keeps the process alive in which all windows run, and with it what it has read. */
  readonly #keeper: Page
  #page: Page | undefined

  private constructor(context: BrowserContext, url: string, keeper: Page) {
    this.#context = context
    this.#url = url
    this.#keeper = keeper
  }

  /** @param url of the server whose application it shows */
  static async begin(context: BrowserContext, url: string): Promise<KeptWindow> {
    const keeper = await context.newPage()
    await keeper.goto(`${url}${LATER_FILES}`)
    return new KeptWindow(context, url, keeper)
  }

  /** The window, or a new one where it has been let go. */
  async take(): Promise<Page> {
    if (this.#page) return this.#page
    const page = await this.#context.newPage()
    const devtools = await this.#context.newCDPSession(page)
    await devtools.send('Storage.clearDataForOrigin', {
      origin: this.#url,
      storageTypes: 'cookies,indexeddb,local_storage',
    })
    await devtools.detach()
    return page
  }

  /** Takes it back; it is closed if it could tell a later test of this one. @param isClean whether the test went as it should */
  async giveBack(page: Page, isClean: boolean): Promise<void> {
    this.#page = undefined
    if (isClean && (await isOpenAt(page, this.#url))) {
      await page.unrouteAll({ behavior: 'wait' })
      await page.mouse.move(0, 0)
      await goWithin(page, NOWHERE)
      const left = page.getByRole('heading', { name: 'This address leads nowhere' })
      // A screen may ask whether to leave it.
      await left.or(page.getByRole('dialog')).first().waitFor()
      if ((await left.isVisible()) && (await forget(page)) === 0) this.#page = page
    }
    for (const other of this.#context.pages())
      if (other !== this.#page && other !== this.#keeper) await other.close()
  }
}
