import { LATER_FILES } from '../laterFiles.ts'

/** So much later than the first screen the rest is fetched. */
const AFTER_MS = 3000

/** Fetches all files that are needed later, one after the other: they are kept for good, and none is run. */
async function fetchLater(signal: AbortSignal): Promise<void> {
  const files = (await (await fetch(LATER_FILES, { signal })).json()) as readonly string[]
  for (const file of files) {
    const answer = await fetch(file, { signal, priority: 'low' })
    await answer.arrayBuffer()
  }
}

/** Fetches the rest in the background, so that its author can go there without the server, too. @returns what calls that off */
export function fetchScreensLater(): () => void {
  const stopping = new AbortController()
  const timer = setTimeout(() => {
    // What cannot be fetched now is asked for again when it is needed.
    fetchLater(stopping.signal).catch(() => undefined)
  }, AFTER_MS)
  return () => {
    clearTimeout(timer)
    stopping.abort()
  }
}
