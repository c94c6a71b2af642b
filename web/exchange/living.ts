/** The ids of the windows of this browser that live. */
export type Living = () => Promise<ReadonlySet<string>>

const LOCK = 'viatica-window-'
const CHANNEL = 'viatica-windows'
/** As long as windows have to answer where the browser itself does not know of them. */
const ANSWER_MS = 400

/** Undefined where the browser has none: in an insecure context. https://w3c.github.io/web-locks/ */
const locks = (): LockManager | undefined =>
  (globalThis as { navigator?: { locks?: LockManager } }).navigator?.locks

/** What windows say to each other: a question, or who lives. */
type Word = 'who lives?' | { readonly lives: string }

/** Says, as long as this window lives, that it looks after its edits. @returns what ends it */
export function sayThatWeLive(window: string): () => void {
  const known = locks()
  if (known) {
    let end = () => {}
    // Held for ever: the browser gives it up when the window is gone, however that went.
    void known.request(LOCK + window, () => new Promise<void>((resolve) => (end = resolve)))
    return () => end()
  }
  const channel = new BroadcastChannel(CHANNEL)
  channel.onmessage = ({ data }: MessageEvent<Word>) => {
    if (data === 'who lives?') channel.postMessage({ lives: window } satisfies Word)
  }
  return () => channel.close()
}

/** The windows that hold their lock; where there are no locks, those that answer. */
export const livingInBrowser: Living = async () => {
  const all = await locks()?.query()
  if (!all) return thoseThatAnswer()
  return new Set(
    (all.held ?? []).flatMap(({ name }) => (name?.startsWith(LOCK) ? [name.slice(LOCK.length)] : [])),
  )
}

async function thoseThatAnswer(): Promise<ReadonlySet<string>> {
  const living = new Set<string>()
  const channel = new BroadcastChannel(CHANNEL)
  channel.onmessage = ({ data }: MessageEvent<Word>) => {
    if (data !== 'who lives?') living.add(data.lives)
  }
  channel.postMessage('who lives?' satisfies Word)
  await new Promise((resolve) => setTimeout(resolve, ANSWER_MS))
  channel.close()
  return living
}
