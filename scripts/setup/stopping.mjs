const SIGNALS = ['SIGINT', 'SIGTERM', 'SIGHUP']
/** How often it is checked whether npm still runs, in milliseconds. */
const LOOK_MS = 300

/**
 * Listens for the end: a signal to this process, or the end of the npm that started it. npm does not pass on every signal,
 * and one that is killed passes on none.
 * @returns an AbortSignal that is aborted once
 */
export function stopSignal() {
  const stop = new AbortController()
  for (const signal of SIGNALS) process.on(signal, () => stop.abort())
  if (process.env.npm_lifecycle_event !== undefined) {
    const { ppid } = process
    const looking = setInterval(() => {
      if (process.ppid === ppid) return
      clearInterval(looking)
      stop.abort()
    }, LOOK_MS).unref()
  }
  return stop.signal
}

/** Resolves when a signal of `stopSignal` is aborted. */
export const untilStopped = (signal) =>
  new Promise((resolve) => {
    if (signal.aborted) resolve()
    else signal.addEventListener('abort', () => resolve(), { once: true })
  })
