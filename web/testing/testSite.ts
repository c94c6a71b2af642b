import { afterAll, afterEach, beforeAll, expect } from '@jest/globals'
import { randomUUID } from 'node:crypto'
import { setTimeout as wait } from 'node:timers/promises'
import type { Change } from '@viatica/core/plan/change/change.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { serve, type Serving } from '@viatica/server/testing/serve.ts'
import { createPinia } from 'pinia'
import type { useOpenSite } from '../stores/openSite.ts'
import { browserHere, streams } from './browserHere.ts'
import { twoPages } from './twoPages.ts'

/** The way of this process itself to the network. */
const ownFetch = globalThis.fetch

/** So many looks, in which nothing was under way, are the end of it. */
const CALM_TURNS = 4
/** Longer than any answer takes. */
const PATIENCE_MS = 10_000

/**
 * One site on the real server, and the way of the windows of this process to it: it can be out of reach, and lose its
 * answers. The windows hear of changes when the test says so.
 */
export class TestSite {
  isDown = false
  /** How many answers to edits get lost on their way, after these have been stored. */
  losesAnswers = 0
  #underWay = 0

  constructor(
    readonly server: Serving,
    readonly id: string,
  ) {
    browserHere()
    globalThis.fetch = async (path, init) => {
      if (this.isDown) throw new TypeError('no connection')
      this.#underWay++
      const answer = await ownFetch(server.url + String(path), init).finally(() => this.#underWay--)
      if (init?.method === 'POST' && String(path).endsWith('/changes') && this.losesAnswers > 0) {
        this.losesAnswers--
        throw new TypeError('connection lost')
      }
      return answer
    }
  }

  /** Waits until no window asks for anything any more: what a test left unsaved would be tried for ever. */
  async quiet(): Promise<void> {
    this.isDown = false
    for (let calm = 0; calm < CALM_TURNS; calm = this.#underWay === 0 ? calm + 1 : 0) await wait(5)
  }

  /** The site as the server has it. */
  async site(): Promise<Site> {
    return (await this.server.store.sites.read(this.id)).site
  }

  async revision(): Promise<number> {
    return (await this.server.store.sites.read(this.id)).revision
  }

  /** Somebody else makes an edit, of which nobody here hears. */
  async change(change: Change): Promise<void> {
    await this.server.store.edits.change(this.id, { id: randomUUID(), base: await this.revision(), change })
  }

  /** Tells all windows of the newest revision. */
  async announce(): Promise<void> {
    const revision = String(await this.revision())
    for (const [stream, url] of streams)
      if (url.includes(this.id)) stream.dispatchEvent(new MessageEvent('revision', { data: revision }))
  }

  /** The paths of its files and their texts, sign for byte, by path. */
  async files(): Promise<[string, string | undefined][]> {
    const files = [...(await this.site()).files.values()].map(
      async ({ path, content }): Promise<[string, string | undefined]> => [
        path,
        (await this.server.store.contents.read(content))?.toString('latin1'),
      ],
    )
    return (await Promise.all(files)).sort(([a], [b]) => (a < b ? -1 : 1))
  }

  /** Opens it in a window. @param use the store, imported after the site was made */
  async openWindow(use: typeof useOpenSite): Promise<ReturnType<typeof useOpenSite>> {
    const window = use(createPinia())
    await window.open(this.id)
    return window
  }
}

/** Gives the tests of a file a server, on which each makes sites. @returns what makes one, two pages if none is given */
export function testSites(): (site?: Site) => Promise<TestSite> {
  let server: Serving
  let made: TestSite | undefined
  beforeAll(async () => {
    server = await serve()
  })
  afterEach(async () => {
    await made?.quiet()
    globalThis.fetch = ownFetch
  })
  afterAll(() => server.stop())
  return async (site = twoPages()) =>
    (made = new TestSite(server, await server.store.sites.create(site, new Map())))
}

/** Waits until something is as it is expected to be; if it never is, the test fails with what it is. */
export async function eventually<Value>(
  read: () => Value | Promise<Value>,
  expected: unknown,
): Promise<void> {
  for (const end = Date.now() + PATIENCE_MS; Date.now() < end; await wait(5)) {
    try {
      expect(await read()).toEqual(expected)
      return
    } catch {
      // Not yet.
    }
  }
  expect(await read()).toEqual(expected)
}
