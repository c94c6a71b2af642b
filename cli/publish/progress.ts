/** Says how far something is. */
export interface Progress {
  /** @param words what it waits for */
  (now: number, of: number, words?: string): void
  /** Takes the line away again. */
  end(): void
}

/** Says on one line of a terminal what is being done; anywhere else nothing is said. Empty words take the line away. */
export function note(words: string): void {
  // Back to the start of the line, and what was there taken away (ECMA-48).
  if (process.stderr.isTTY) process.stderr.write(`\r\u001b[K${words}`)
}

/** How far something is, on that line. */
export function progress(what: string): Progress {
  const say = (now: number, of: number, words = '') => {
    if (words !== '') note(words)
    else if (of > 0) note(`${what}: ${now} of ${of}`)
  }
  return Object.assign(say, { end: () => note('') })
}
