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

/** Streams of events that windows listen to, by their addresses. */
export const streams = new Map<EventTarget, string>()

/** Stands for a stream of events that nothing comes from but what a test tells. */
class ToldEvents extends EventTarget {
  constructor(url: string) {
    super()
    streams.set(this, url)
  }
  close(): void {
    streams.delete(this)
  }
}

/** Puts what a store needs of a browser beside `fetch` in its place. */
export function browserHere(): void {
  Object.assign(globalThis, { Worker: SilentWorker, EventSource: ToldEvents })
  Object.defineProperty(globalThis, 'navigator', { value: { locks: LOCKS }, configurable: true })
}
