import { applyChange } from '@viatica/core/plan/change/apply.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { toSiteData } from '@viatica/core/plan/siteData.ts'
import { createPinia } from 'pinia'
import { type useOpenSite } from '../stores/openSite.ts'

/** Stands for the worker of a window: it takes what it is told and never answers. */
class SilentWorker extends EventTarget {
  postMessage(): void {}
  terminate(): void {}
}

/** Stands for the locks of a browser that has no other window. */
const LOCKS = {
  request: () => new Promise<void>(() => undefined),
  query: () => Promise.resolve({ held: [] }),
}

/**
 * One site behind `fetch` and `EventSource`, with the rules of the real server: a change is applied on the newest
 * revision, and its answer brings the changes that the window missed. It can be out of reach, and lose its answers.
 */
export class FakeServer {
  revision = 0
  readonly log: { revision: number; id: string; change: Change }[] = []
  isDown = false
  /** How many answers to changes get lost on their way, after these have been stored. */
  losesAnswers = 0
  /** The texts of files by the key of their bytes. */
  readonly contents = new Map<string, string>()
  /** The text of a file that is not taken. */
  refused: string | undefined
  readonly #listeners = new Set<EventTarget>()

  constructor(public site: Site) {
    const listeners = this.#listeners
    const globals = globalThis as Record<string, unknown>
    globals['Worker'] = SilentWorker
    Object.defineProperty(globals, 'navigator', { value: { locks: LOCKS }, configurable: true })
    globals['fetch'] = (path: string, init: RequestInit) => this.#answer(path, init)
    globals['EventSource'] = class extends EventTarget {
      constructor() {
        super()
        listeners.add(this)
      }
      close(): void {
        listeners.delete(this)
      }
    }
  }

  /** Tells all windows of the newest revision. */
  announce(): void {
    for (const listener of this.#listeners)
      listener.dispatchEvent(new MessageEvent('revision', { data: String(this.revision) }))
  }

  async #answer(path: string, { method, body }: RequestInit): Promise<Response> {
    await Promise.resolve()
    if (this.isDown) throw new TypeError('no connection')
    const contents = /^\/api\/contents\/([^/]+)(\/text)?$/.exec(path)
    if (contents) return this.#contents(contents[1]!, body)
    const after = /changes\?after=(\d+)$/.exec(path)
    if (after) return this.#json({ revision: this.revision, changes: this.#changesAfter(Number(after[1])) })
    if (method === 'GET')
      return this.#json({ revision: this.revision, stamp: this.#stamp, site: toSiteData(this.site) })
    if (path.endsWith('/changes/made')) {
      const { ids } = JSON.parse(String(body)) as { ids: string[] }
      return this.#json({ made: this.log.filter(({ id }) => ids.includes(id)) })
    }
    const edit = JSON.parse(String(body)) as { id: string; base: number; change: Change }
    return this.#save(edit)
  }

  #save({ id, base, change }: { id: string; base: number; change: Change }): Response {
    const stored = this.log.find((one) => one.id === id)
    const missed = this.#changesAfter(base).filter((one) => one.id !== id)
    if (!stored) {
      try {
        this.site = applyChange(this.site, change).site
      } catch (error) {
        if (!(error instanceof ChangeRefused)) throw error
        return this.#json({ detail: error.message }, missed.length > 0 ? 409 : 422)
      }
      this.log.push({ revision: ++this.revision, id, change })
    }
    if (this.losesAnswers > 0) {
      this.losesAnswers--
      throw new TypeError('connection lost')
    }
    return this.#json({ revision: this.revision, missed })
  }

  /** Keeps bytes under a key, or gives those of a key as text. */
  async #contents(name: string, body: RequestInit['body']): Promise<Response> {
    if (!body) return this.#json({ text: this.contents.get(name) ?? '' })
    const text = await (body as Blob).text()
    if (text === this.refused) return this.#json({ detail: `${decodeURIComponent(name)} is refused.` }, 415)
    const content = [...text]
      .reduce((sum, sign) => (sum * 31 + sign.charCodeAt(0)) % 1e9, 7)
      .toString(16)
      .padStart(64, '0')
    this.contents.set(content, text)
    return this.#json({ content })
  }

  get #stamp(): string | null {
    return this.log.at(-1)?.id ?? null
  }

  #changesAfter(revision: number) {
    return this.log.filter((one) => one.revision > revision)
  }

  #json(value: unknown, status = 200): Response {
    return new Response(JSON.stringify(value), { status })
  }
}

/** A window that has the site open. @param use the store, imported after the server was made */
export async function openWindow(use: typeof useOpenSite): Promise<ReturnType<typeof useOpenSite>> {
  const window = use(createPinia())
  await window.open('site')
  return window
}
