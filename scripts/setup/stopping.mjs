import { readFileSync } from 'node:fs'

const SIGNALS = ['SIGINT', 'SIGTERM', 'SIGHUP']
/** How often it is checked whether npm still runs, in milliseconds. */
const LOOK_MS = 300

/** Returns the process that started another one; undefined where that has ended. See proc(5), /proc/pid/stat. */
function parentOf(pid) {
  try {
    const text = readFileSync(`/proc/${pid}/stat`, 'utf8')
    // The name of the program is in brackets, and can hold brackets and blanks itself.
    return Number(text.slice(text.lastIndexOf(')') + 2).split(' ')[1])
  } catch {
    return undefined
  }
}

/** The processes between this one and npm, as they are now: a shell, and npm itself. */
const above = () => [process.ppid, parentOf(process.ppid)].join(' ')

/**
 * Listens for the end: a signal to this process, or the end of the npm that started it. npm does not pass on every signal,
 * and one that is killed passes on none.
 * @returns an AbortSignal that is aborted once
 */
export function stopSignal() {
  const stop = new AbortController()
  for (const signal of SIGNALS) process.on(signal, () => stop.abort())
  if (process.env.npm_lifecycle_event !== undefined) {
    const before = above()
    const looking = setInterval(() => {
      if (above() === before) return
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
